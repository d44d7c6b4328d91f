import { declareBlock } from '../report/declareBlock'
import type { QuestionFigures } from './questions'

export interface FilledQuestions {
  kind: 'questions'
  listings: QuestionFigures[]
}

export const questionsBlock = declareBlock<FilledQuestions>()({
  kind: 'questions',
  name: 'Questions about places',
  version: 1,
  isScoped: true,
  headingOf: () => 'Questions about places',
})
