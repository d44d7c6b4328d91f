/** The colours of the product by role, light and dark. Everything on the page takes its colour from one of these. */
export const LIGHT = {
  ground: '#FAF8F3',
  rail: '#F1EDE4',
  paper: '#FFFFFF',
  ink: '#1B2333',
  ink2: '#454F61',
  ink3: '#5F6878',
  rule: '#DAD4C6',
  rule2: '#BFB7A5',
  zaffer: '#23409A',
  deep: '#182E73',
  wash: '#E8ECF7',
  band: '#EDE7D8',
  better: '#1B6E53',
  worse: '#A03A24',
  onZaffer: '#FFFFFF',
  earlier: '#7C869B',
  range: '#C7D1EE',
} as const

export const DARK: Record<keyof typeof LIGHT, string> = {
  ground: '#161A23',
  rail: '#11141B',
  paper: '#1B202B',
  ink: '#ECE8DE',
  ink2: '#BFC3CC',
  ink3: '#9AA1AF',
  rule: '#333A48',
  rule2: '#4C5566',
  zaffer: '#9DB2F2',
  deep: '#BECBF7',
  wash: '#252D45',
  band: '#2B2A26',
  better: '#6CC7A4',
  worse: '#EE9A85',
  onZaffer: '#131A30',
  earlier: '#8891A5',
  range: '#3A4774',
}

/** The colours of series, in the order in which they are given out. */
export const SERIES = ['#2F55C4', '#1F8A78', '#B5482A', '#7A4FA3', '#B9811F', '#58677A', '#B04A78', '#2A7F9E'] as const
export const SERIES_DARK = [
  '#86A0F0',
  '#4DBBA8',
  '#E58A6C',
  '#B593DA',
  '#DDB05A',
  '#A0ACBD',
  '#E08DB2',
  '#6FBBD6',
] as const
