import { writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { dataGuide } from '../core/datasets/dataGuide'
import { glossary } from '../core/metrics/glossary'

const docs = (name: string) => fileURLToPath(new URL(`../docs/${name}`, import.meta.url))

/** Writes docs/glossary.md from the catalogue, and docs/data.md from the declarations of the data: npm run glossary */
writeFileSync(docs('glossary.md'), glossary())
writeFileSync(docs('data.md'), dataGuide())
