import type { factTags } from '../guides/blocks.ts'
import { roles } from '../contents/roles.ts'

/** What a line of a guide can hang on besides the parts in the case: where it is so, and where it isn't. */
const factWords: Readonly<Record<(typeof factTags)[number], readonly [so: string, notSo: string]>> = {
  'two-people': ['where two people carry', 'where one person carries'],
  equatorial: ['on an equatorial mount', 'on any mount but an equatorial one'],
  altazimuth: ['on a mount that moves up and round', 'on an equatorial mount'],
  driven: ['where motors follow the sky', 'without motors'],
  compass: ['with a compass', 'without a compass'],
  southern: ['south of the equator', 'north of the equator'],
  'needle-east': ['where a compass points east of north', 'where a compass doesn’t point east of north'],
  'needle-west': ['where a compass points west of north', 'where a compass doesn’t point west of north'],
  'needle-true': ['where a compass points true', 'where a compass points beside north'],
  'on-table': ['on a table', 'on a stand of its own'],
  rocker: ['in a rocker on the ground', 'not in a rocker'],
  'pan-head': ['on a pan head', 'on any mount but a pan head'],
  arm: ['on an arm on legs', 'not on an arm'],
  'axis-locks': ['with locks on its axes', 'without locks on its axes'],
  'in-rings': ['where rings hold the tube', 'where no rings hold the tube'],
  'tray-twisted': ['with a tray that twists', 'without a tray that twists'],
  'tray-screwed': ['with a tray that screws on', 'without a tray that screws on'],
  'tray-bolted': ['with a plate of wing nuts', 'without a plate of wing nuts'],
  'tray-brace': ['with a folding brace', 'without a folding brace'],
  newtonian: ['with a mirror in an open tube', 'with a closed tube'],
  collapsible: ['with a tube that slides open', 'with a tube in one piece'],
  'opens-anew': ['where the sliding tube must be looked at each time', 'where it comes back the same'],
  'red-dot': ['with a red-dot finder', 'without a red-dot finder'],
  'optical-finder': ['with an optical finder', 'without an optical finder'],
  'peep-sight': ['with a peep sight', 'without a peep sight'],
  'one-eyepiece': ['with one eyepiece alone', 'with more eyepieces than one'],
  'wide-barrel': ['with a 50.8 mm eyepiece', 'without a 50.8 mm eyepiece'],
  'small-aperture': ['with a small aperture', 'with an aperture that isn’t small'],
  'mirror-ours': ['where the mirrors are left to us', 'where the mirrors aren’t left to us'],
  'mirror-yours': ['where borrowers may line up the mirrors', 'where borrowers leave the mirrors alone'],
  'no-screws': ['where there is nothing to line up', 'where there is something to line up'],
  child: ['for a child', 'for adults and families'],
  'first-time': ['for a first loan', 'for those who borrowed before'],
  'left-eyed': ['for left-eyed borrowers', 'for right-eyed borrowers'],
  seated: ['for those who look seated', 'for those who stand'],
}

/** When a line is said: “on an equatorial mount”, “without Barlow”. @param tag as in `block-text`, `!` for not so */
export function tagWords(tag: string): string {
  const name = tag.replace('!', '')
  const not = tag.startsWith('!')
  const fact = (factWords as Readonly<Record<string, readonly [string, string] | undefined>>)[name]
  if (fact) return not ? fact[1] : fact[0]
  const role = (roles as Readonly<Record<string, { readonly words: string } | undefined>>)[name]
  return `${not ? 'without' : 'with'} ${role?.words ?? name}`
}
