import { writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { glossary } from '../core/metrics/glossary'

/** Writes docs/glossary.md from the catalogue: npm run glossary */
writeFileSync(fileURLToPath(new URL('../docs/glossary.md', import.meta.url)), glossary())
