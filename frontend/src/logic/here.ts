/** Places whose usual sheet is Letter; everywhere else it is A4. From memory of where each is sold. */
const LETTER = new Set(['US', 'CA', 'MX', 'CL', 'CO', 'PH', 'VE', 'GT', 'CR', 'PA', 'DO'])

/** The time zone, the paper and the lengths this device's owner most likely uses. */
export function guessedHere(
  languages: readonly string[],
  zone: string,
): {
  time_zone: string
  paper: 'A4' | 'Letter'
  units: 'mm' | 'inch'
} {
  const regions = languages.map((l) => l.split('-').at(-1) ?? '')
  const region = regions.find((r) => /^[A-Z]{2}$/.test(r)) ?? ''
  return {
    time_zone: zone || 'UTC',
    paper: LETTER.has(region) ? 'Letter' : 'A4',
    units: region === 'US' ? 'inch' : 'mm',
  }
}
