import { questionAnswerSchema } from '../../../../../../../shared/read/questions'
import { answerOnNetwork } from '../../../../../../gather/connectors/answerOnNetwork'
import { bodyOf, clientRoute, idParam, remoteIdParam } from '../../../../../../platform/http/route'
import { answerQuestion } from '../../../../../../read/questions/questions'

/** Answers a question on its network, which may refuse the answer. */
export default clientRoute('write', async ({ event, db }) => {
  const { text } = await bodyOf(event, questionAnswerSchema)
  return await answerQuestion(
    db,
    { profile: idParam(event, 'profile', 'question'), id: remoteIdParam(event, 'question', 'question') },
    text,
    (inside, profile, id, answer) => answerOnNetwork(inside, profile, 'questions', id, answer),
  )
})
