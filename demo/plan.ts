import { randomUUID } from 'node:crypto'
import { addDays, type Day } from '../core/days/day'
import { zonedInstant } from '../core/plan/zonedInstant'
import { plannedSchema } from '../shared/plan/plannedPosts'

/** A post that the agency plans, by how many days after the newest it is to go out. */
interface DemoPlan {
  client: string
  state: 'idea' | 'draft' | 'waiting' | 'approved' | 'scheduled'
  ahead?: number
  time?: string
  on: readonly string[]
  text: string
  own?: Readonly<Record<string, string>>
}

const PLANS: readonly DemoPlan[] = [
  {
    client: 'mossgate-gardens',
    state: 'scheduled',
    ahead: 2,
    time: '12:30',
    on: ['murmur @mossgate'],
    text: 'The last dahlias go to bed this week. Which one should we keep on the sill? #mossgate',
  },
  {
    client: 'mossgate-gardens',
    state: 'waiting',
    ahead: 3,
    time: '10:00',
    on: ['commons mossgategardens', 'murmur @mossgate'],
    text: 'Winter hours begin on Monday: ten to four, tea rooms till half past three.',
    own: { 'murmur @mossgate': 'Winter hours from Monday: 10–4. Tea till 3:30. 🍂' },
  },
  {
    client: 'mossgate-gardens',
    state: 'approved',
    ahead: 5,
    time: '18:15',
    on: ['guildhall mossgate-gardens'],
    text: 'We are looking for two gardeners who like wet mornings. Come and talk to us by the glasshouse.',
  },
  {
    client: 'mossgate-gardens',
    state: 'draft',
    ahead: 8,
    time: '20:00',
    on: ['commons mossgategardens'],
    text: 'Lanterns on the lake path again: who comes along?',
  },
  { client: 'mossgate-gardens', state: 'idea', on: [], text: 'A day with the person who mends the glasshouse panes' },
  {
    client: 'orrery-press',
    state: 'scheduled',
    ahead: 3,
    time: '17:00',
    on: ['commons orrerypress'],
    text: 'Why does the moon follow the car? The new issue has the answer, and a cut-out model.',
  },
]

/** The plans of the invented agency, as rows. */
export function demoPlans(anchor: Day, zone: string) {
  return PLANS.map(({ ahead, time, text, ...plan }) => ({
    ...plan,
    key: randomUUID(),
    at: ahead === undefined ? undefined : zonedInstant(`${addDays(anchor, ahead)}T${time}`, zone),
    content: JSON.stringify(contentOf(text)),
  }))
}

function contentOf(text: string) {
  const { at: _at, isIdea: _isIdea, postings: _postings, ...content } = plannedSchema.getDefault()
  return { ...content, text }
}
