import { array, string } from 'yup'

/** How many columns of figures a table can have. */
export const MOST_TABLE_COLUMNS = 8

/** How many figures can stand at the head of a page. */
export const MOST_HEADLINES = 10

/** The metrics that somebody has chosen for the head of a page. */
export const headlinesSchema = array(string().max(40).defined()).min(1).max(MOST_HEADLINES, `At the head of a page there is room for ${MOST_HEADLINES} figures.`).required()

/** The metrics that somebody has chosen for the columns of a table. */
export const columnsSchema = array(string().max(40).defined()).min(1).max(MOST_TABLE_COLUMNS, `A table can have ${MOST_TABLE_COLUMNS} columns of figures.`).required()
