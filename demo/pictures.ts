import { unit } from './random'

/** The colours that a client's pictures are painted with: ground, middle, light and accent. */
const PALETTES: Record<string, readonly (readonly [string, string, string, string])[]> = {
  'mossgate-gardens': [
    ['#DCE6D2', '#5C7F53', '#2F4A33', '#E3B04B'],
    ['#F1E3D3', '#B5654A', '#6E3B2E', '#7FA06B'],
    ['#1E2B52', '#2F4A8A', '#0F1733', '#F2C14E'],
  ],
  'kittiwake-line': [
    ['#D6E6EE', '#4A7C9B', '#22455E', '#E4E9EC'],
    ['#F3DFC4', '#D98E4A', '#7B4B2B', '#3E6C8A'],
    ['#C9CFD4', '#7B8892', '#434E57', '#D9534F'],
  ],
  'orrery-press': [
    ['#1A1F3D', '#34407C', '#0D1024', '#F0C75E'],
    ['#EFE6D8', '#C78B4B', '#5B3A24', '#3F6F8F'],
    ['#E5EEF0', '#5FA3A8', '#27575C', '#E0705A'],
  ],
}

/** What each kind of picture shows, in words. */
const STYLES = {
  hills: 'Hills one behind the other',
  lanterns: 'Lanterns hanging over a walk',
  disc: 'A round light over water',
  leaves: 'Leaves side by side',
} as const
type Style = keyof typeof STYLES

export interface DemoPicture {
  svg: string
  alt: string
}

/** The small picture that a post shows: painted from its id and text alone, so that it is always the same. */
export function pictureOf(client: string, { remoteId, text }: { remoteId: string; text: string }): DemoPicture {
  const key = [remoteId]
  const styles = Object.keys(STYLES) as Style[]
  const style: Style = /lantern/i.test(text) ? 'lanterns' : styles[Math.floor(unit(...key, 'style') * styles.length)]!
  const palettes = PALETTES[client]!
  const [ground, middle, dark, accent] =
    style === 'lanterns' ? palettes.at(-1)! : palettes[Math.floor(unit(...key, 'palette') * palettes.length)]!
  const at = (name: string, least: number, most: number) => Math.round(least + unit(...key, name) * (most - least))
  const shapes: Record<Style, () => string> = {
    hills: () =>
      [middle, dark]
        .map((colour, index) => {
          const top = 120 + index * 50 + at(`hill ${index}`, -20, 20)
          const bend = at(`bend ${index}`, -60, 60)
          return `<path d="M0 ${top}Q80 ${top - 60 + bend} 160 ${top}T320 ${top}V320H0Z" fill="${colour}"/>`
        })
        .join('') + `<circle cx="${at('sun', 60, 260)}" cy="70" r="${at('size', 18, 36)}" fill="${accent}"/>`,
    lanterns: () =>
      Array.from({ length: 5 }, (_, index) => {
        const [x, y] = [40 + index * 60, at(`drop ${index}`, 60, 190)]
        return (
          `<path d="M${x} 0V${y}" stroke="${ground}" stroke-width="2"/>` +
          `<circle cx="${x}" cy="${y}" r="${at(`glow ${index}`, 12, 20)}" fill="${accent}"/>`
        )
      }).join('') + `<path d="M0 250Q90 210 180 250T320 240V320H0Z" fill="${middle}"/>`,
    disc: () =>
      `<circle cx="${at('moon', 90, 230)}" cy="${at('height', 80, 130)}" r="${at('round', 36, 62)}" fill="${accent}"/>` +
      `<path d="M0 215H320V320H0Z" fill="${middle}"/><path d="M0 265H320V320H0Z" fill="${dark}"/>`,
    leaves: () =>
      Array.from({ length: 6 }, (_, index) => {
        const [x, lean] = [30 + index * 52, at(`lean ${index}`, -24, 24)]
        const colour = index % 3 === 1 ? accent : index % 2 ? middle : dark
        const left = `C${x - 34 + lean} 220 ${x - 20 + lean} 130 ${x + lean} 90`
        const right = `C${x + 24 + lean} 140 ${x + 36 + lean} 220 ${x} 300`
        return `<path d="M${x} 300${left}${right}Z" fill="${colour}"/>`
      }).join(''),
  }
  const back = style === 'lanterns' ? dark : ground
  return {
    svg: `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 320 320"><path d="M0 0H320V320H0Z" fill="${back}"/>${shapes[style]()}</svg>`,
    alt: `${STYLES[style]}.`,
  }
}
