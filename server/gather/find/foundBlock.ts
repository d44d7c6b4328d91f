import type { ProfileSearch } from '../../../shared/gather/find'
import type { FilledFound } from '../../../shared/gather/foundBlock'
import type { ReportBlock } from '../../figures/reportBlock'
import { count, text } from '../../platform/tables/columns'
import type { Table } from '../../platform/tables/table'
import { lastSearch } from './findProfiles'

export const foundBlock: ReportBlock<FilledFound> = {
  async fill({ db }) {
    const { found, searchedAt } = await lastSearch(db)
    return { found, searchedAt }
  },
  tableOf: ({ found }) => tableOf(found),
  missingIn: ({ found }) => (found ? [] : ['the client’s profiles were not looked for yet.']),
}

function tableOf(search: ProfileSearch | null): Table {
  return {
    name: 'Profiles found',
    columns: [text('Result'), text('Network'), text('Handle'), text('Name'), count('Followers')],
    rows: search
      ? [
          ...search.linked.map((each) => [
            'Linked from the page',
            each.networkName,
            each.handle,
            each.name,
            each.followers,
          ]),
          ...search.broken.map((each) => ['Linked, but not there', each.networkName, each.handle, '', null]),
          ...search.unlinked.map((each) => [
            'There, but not linked',
            each.networkName,
            each.handle,
            each.name,
            each.followers,
          ]),
          ...search.free.map((network) => ['Free', network, search.handle, '', null]),
          ...search.taken.map((each) => [
            each.isOwn ? 'Taken, by the client' : 'Taken',
            each.networkName,
            search.handle,
            each.name,
            null,
          ]),
        ]
      : [],
  }
}
