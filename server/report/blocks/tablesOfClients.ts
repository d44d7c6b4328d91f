import type { ClientSummary } from '../../../shared/clients'
import { causeOf } from '../../../shared/read/unusual'
import { figureCells, figureColumns } from '../../figures/figureColumns'
import { targetTable } from '../../read/targets/targetsBlock'
import type { Table } from '../../platform/tables/table'

/** A figure of a client; of one whose figures are not there, as many empty cells. */
function cellsOf({ figures }: ClientSummary, metric: string): Table['rows'][number] {
  const compared = figures.find(({ figure }) => figure.metric === metric)
  return compared ? figureCells(compared) : figureColumns(metric).map(() => null)
}

/** The parts of the first page over all clients, as tables. */
export function tablesOfClients(clients: readonly ClientSummary[]): { id: string; table: Table }[] {
  const text = (title: string) => ({ title, kind: 'text' as const })
  const lines = (name: string, titles: string[], rows: Table['rows']): Table => ({
    name,
    columns: titles.map(text),
    rows,
  })
  const metrics = clients.find(({ figures }) => figures.length > 0)?.figures.map(({ figure }) => figure.metric) ?? []
  const targets = clients.flatMap((client) => client.targets.map((target) => ({ client, target })))
  const ofTargets = targetTable(targets.map(({ target }) => target))
  return [
    {
      id: 'moved',
      table: {
        name: 'What moved',
        columns: [
          text('Client'),
          ...metrics.flatMap(figureColumns),
          { title: 'Profiles', kind: 'count' },
          text('Last edition'),
        ],
        rows: clients.map((client) => [
          client.name,
          ...metrics.flatMap((metric) => cellsOf(client, metric)),
          client.profiles,
          client.lastEdition ? `Edition ${client.lastEdition.number} of ${client.lastEdition.title}` : '',
        ]),
      },
    },
    {
      id: 'targets',
      table: {
        ...ofTargets,
        name: 'Targets in danger',
        columns: [text('Client'), ...ofTargets.columns],
        rows: ofTargets.rows.map((row, index) => [targets[index]!.client.name, ...row]),
      },
    },
    {
      id: 'due',
      table: lines(
        'What is due',
        ['Client', 'What'],
        clients.flatMap((client) => client.due.map(({ sentence }) => [client.name, sentence])),
      ),
    },
    {
      id: 'unusual',
      table: {
        name: 'Unusual days without a reason',
        columns: [
          text('Client'),
          { title: 'From', kind: 'day' },
          { title: 'To', kind: 'day' },
          text('Profiles'),
          { title: 'Interactions', kind: 'count' },
          { title: 'Usually', kind: 'count' },
        ],
        rows: clients.flatMap((client) =>
          client.unusual
            .map(causeOf)
            .map((cause) => [
              client.name,
              cause.from,
              cause.to,
              cause.profiles.map(({ name }) => name).join('; '),
              cause.value,
              cause.usual,
            ]),
        ),
      },
    },
    {
      id: 'profiles',
      table: lines(
        'Profiles that need somebody',
        ['Client', 'Profile', 'What'],
        clients.flatMap((client) => client.troubles.map((trouble) => [client.name, trouble.name, trouble.sentence])),
      ),
    },
  ]
}
