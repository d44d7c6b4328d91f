import { describe, expect, it } from 'vitest'
import { agencySchema, clientSchema } from '../../shared/platform/agency'
import { questionAnswerSchema } from '../../shared/read/questions'
import { problemsOf } from './problemsOf'

const thrown = (work: () => unknown): unknown => {
  try {
    return work()
  } catch (error) {
    return error
  }
}

describe('problemsOf', () => {
  it('says each field’s problem as its schema has it', () => {
    const error = thrown(() => clientSchema.validateSync({ name: '', timeZone: 'Mars' }, { abortEarly: false }))
    expect(problemsOf(error, 'all')).toEqual({
      name: 'Give the client its name.',
      timeZone: 'Choose a time zone from the list, such as Europe/London.',
    })
    const colour = thrown(() => agencySchema.validateSync({ name: 'Desk', colour: 'red' }, { abortEarly: false }))
    expect(problemsOf(colour, 'all')).toEqual({ colour: 'Choose a colour.' })
  })
  it('says the one problem of a schema that stops there', () => {
    const error = thrown(() => questionAnswerSchema.validateSync({ text: '' }))
    expect(problemsOf(error, 'all')).toEqual({ text: 'Write an answer.' })
  })
  it('takes the server’s word for a field, and says the rest where it can be seen', () => {
    expect(problemsOf(Object.assign(new Error('No.'), { fields: { current: 'Not yours.' } }), 'all')).toEqual({
      current: 'Not yours.',
    })
    expect(problemsOf(Object.assign(new Error('No.'), { fields: {} }), 'all')).toEqual({ all: 'No.' })
    expect(problemsOf(new Error('No line.'), 'name')).toEqual({ name: 'No line.' })
  })
})
