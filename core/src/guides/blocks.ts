import { roles } from '../contents/roles.ts'
import { tubeSides } from '../mount/side.ts'

/** The blocks a guide is composed from, in the order borrowers need them (DOMAIN section 10). */
export const blockKeys = [
  'sun',
  'carry',
  'case',
  'cell',
  'place',
  'set-up',
  'polar',
  'finder',
  'power',
  'point',
  'controller',
  'expect',
  'sky',
  'follow',
  'trouble',
  'phone',
  'away',
  'mirror',
] as const
export type BlockKey = (typeof blockKeys)[number]

export interface BlockDefinition {
  readonly key: BlockKey
  readonly title: string
  /** Tags of which one must fit, or the block is left out; none for every kit. */
  readonly needs: readonly string[]
  /** Why it is here, for the coordinator: written as `text` is, and the first line that fits counts. */
  readonly because: string
  /** Cautions: said first and always; they can be added to, never taken out (DOMAIN section 13). */
  readonly stays: string
  /** What coordinators may change, written as `block-text` says. */
  readonly text: string
}

/** Facts that a line may hang on besides the roles of parts in the case. */
export const factTags = [
  'two-people',
  'equatorial',
  'altazimuth',
  'driven',
  'compass',
  'southern',
  'needle-east',
  'needle-west',
  'needle-true',
  'on-table',
  'rocker',
  'pan-head',
  'arm',
  'axis-locks',
  'in-rings',
  'tray-twisted',
  'tray-screwed',
  'tray-bolted',
  'tray-brace',
  'newtonian',
  'collapsible',
  'opens-anew',
  'red-dot',
  'optical-finder',
  'peep-sight',
  'one-eyepiece',
  'wide-barrel',
  'small-aperture',
  'mirror-ours',
  'mirror-yours',
  'no-screws',
  'child',
  'first-time',
  'left-eyed',
  'seated',
] as const

export const blockVariables = [
  'kit',
  'library',
  'mass',
  'emergency',
  'due',
  'aperture',
  'low eyepiece',
  'low power',
  'next eyepiece',
  'next power',
  'barlow',
  'phone eyepieces',
  'parts',
  'steps',
  'town',
  'fists',
  'needle',
] as const

export const blockTags: readonly string[] = [...factTags, ...Object.keys(roles)]

const block = (given: Omit<BlockDefinition, 'needs' | 'stays'> & Partial<BlockDefinition>): BlockDefinition => ({
  needs: [],
  stays: '',
  ...given,
})

/** How far beside true north a packed compass points at the borrower's place. @param tags put before each line's own */
const needleLines = (tags: string): string =>
  [
    '[southern] [needle-east] True south lies {needle} to the left of where the compass’s south end points.',
    '[southern] [needle-west] True south lies {needle} to the right of where the compass’s south end points.',
    '[!southern] [needle-east] True north lies {needle} to the left of where the compass points.',
    '[!southern] [needle-west] True north lies {needle} to the right of where the compass points.',
    '[needle-true] Here the compass points true, to within a degree.',
    'Read the compass an arm’s length away from the mount. Iron turns its needle.',
  ]
    .map((line) => `${tags}[compass] ${line}`)
    .join('\n')

export const sunLines = [
  'Never point the telescope or its finder at the Sun. One look blinds.',
  'By day it never stands alone, and children are never alone with it.',
  'Caps on when it stands in daylight. An open mirror or lens in the Sun can start a fire, also behind a window.',
] as const

export const blocks: readonly BlockDefinition[] = [
  block({
    key: 'sun',
    title: 'Before anything else',
    because: 'opens every guide',
    stays: sunLines.join('\n'),
    text: '',
  }),
  block({
    key: 'carry',
    title: 'Who carries what',
    because: '{mass} in all',
    stays: '[two-people] The whole kit weighs {mass}: two people, or a trolley. Carry it in parts.',
    text: `[!two-people] The whole kit weighs {mass}. Carry it in its case.
Never lift anything by the finder.
[counterweight] The weight is small and heavy. Keep your toes clear of it.`,
  }),
  block({
    key: 'case',
    title: 'What is in the case',
    because: '{parts} parts, from its card',
    text: `Look through it now, and once more before you bring it back.
Screws go back into their holes. Nothing is wiped.`,
  }),
  block({
    key: 'cell',
    title: 'The coin cell',
    needs: ['coin-cell'],
    because: 'the red dot holds one',
    stays: `The finder’s coin cell stays behind its screwed door.
A swallowed cell burns within two hours. If a child may have swallowed one, act at once: {emergency}.`,
    text: '',
  }),
  block({
    key: 'place',
    title: 'A good place',
    because: 'every kit',
    stays: 'At night: know your ground, dress warmly, keep off roads, stay with children.',
    text: `[on-table] A sturdy table on firm ground, away from house walls and lamps.
[!on-table] Firm, level ground, away from house walls and lamps.
Never look through a window. Glass and warm air blur everything.
Give your eyes twenty minutes in the dark. Switch your phone’s page to ember.
[!seated] A chair for adults, a stool for children.
[seated] Set the tube so low that you can look while you sit.
Keep your hands off the tube while you look.
[child] Let the child look first. A hand on the stool steadies more than a hand on the tube.`,
  }),
  block({
    key: 'set-up',
    title: 'Set it up',
    because: '{steps} steps, from this model',
    text: '',
  }),
  block({
    key: 'polar',
    title: 'Point the axis at the pole',
    needs: ['equatorial'],
    because: 'equatorial head',
    text: `Set the scale to your latitude and turn the whole stand until the axis points at the pole. For looking that is enough.
${needleLines('')}
[!southern] The pole star stands {fists} fists above the ground, due north. It is no bright star, but the brightest near there.
[!southern] The two stars at the end of the Plough’s bowl point to it. It is five times as far away as they are apart.
[southern] No bright star marks the south pole of the sky. It lies due south, {fists} fists above the ground.
[southern] The long bar of the Southern Cross points to it, four and a half times its own length on.
After that the stand must not be moved. If it is, do this again.`,
  }),
  block({
    key: 'finder',
    title: 'Finder, then focus',
    because: `[red-dot] red dot: two knobs
[optical-finder] optical finder: small screws
[peep-sight] peep sight: nothing to turn
its finder`,
    text: `Take {low eyepiece}. Turn the focus until a far lamp or a star is as small as it gets.
Put a far lamp or the Moon in the middle of the view. Then look through the finder: it must point at it too.
[red-dot] If it doesn’t, turn the finder’s two small knobs until the dot sits on it. Don’t move the tube.
[optical-finder] If it doesn’t, turn the finder’s small screws until the cross sits on it. Don’t move the tube.
[peep-sight] It has nothing to turn. Aim along it and sweep a little at the lowest power.
[!peep-sight] [!one-eyepiece] Then put in {next eyepiece} and look once more. Is it still on it? Then both point the same way.
[optical-finder] The view in such a finder stands on its head. That is as it should be.
[red-dot] Look at the dot with both eyes open.
[left-eyed] Turn the tube so that the finder is on your left.`,
  }),
  block({
    key: 'power',
    title: 'Lowest power first',
    because: `[one-eyepiece] one eyepiece
[barlow] its eyepieces and a Barlow
its eyepieces`,
    text: `Begin with {low eyepiece}. It shows the most sky, at {low power}, so things are easy to find.
When you have found something and it holds still, try {next eyepiece}, at {next power}.
Turn the focus again each time. Each pair of eyes needs its own.
The {barlow} comes last, and only on a steady night.
[!one-eyepiece] A higher number on the eyepiece means a lower power.
[inner-cap] The full Moon dazzles? Put the front cap on again and take out the small cap in it.
[erecting-eyepiece] The erecting eyepiece is for land by day, far from the Sun. For the sky take the others.
[wide-barrel] One eyepiece has a wide barrel, 50.8 mm. It goes in without the adapter; the narrow ones need it.`,
  }),
  block({
    key: 'point',
    title: 'Point it',
    because: `[driven] by the keys of its controller
[on-table] it stands on a table
[rocker] it stands in a rocker
[pan-head] a pan head
[equatorial] equatorial: one lock after the other
[axis-locks] an arm with locks
an arm that stays where it is left`,
    text: `[driven] The keys turn it: fast to find, slow to centre. Don’t push the tube by hand, or it loses its place.
[!driven] [on-table] A hand under the tube. Turn the base round, then tip the tube up or down.
[!driven] [rocker] Hold the tube by its upper rim. Push it round, then up or down. It stays where you leave it.
[!driven] [pan-head] [pan-handle] Hold the tube. Turn the handle loose, point it, and turn the handle tight again.
[!driven] [pan-head] [!pan-handle] Hold the tube. Open the head’s lock, point it, and close the lock again.
[!driven] [arm] [axis-locks] Hold the tube. Open both locks, swing it round and up, and close them again.
[!driven] [arm] [!axis-locks] Hold the tube at its back end. Swing it round and up. It stays where you leave it.
[!driven] [equatorial] Hold the tube. Open the lock of the tilted axis, turn to the side of the sky you want, and close the lock.
[!driven] [equatorial] Then open the other lock, swing the tube along, and close it.
[equatorial] [in-rings] The eyepiece went round to the back? Hold the tube, open both rings a little, turn the tube in them, and close them.
[!driven] [red-dot] Both eyes open: bring the dot onto the star. Then look at the lowest power.
[!driven] [optical-finder] Bring the star onto the finder’s cross. Then look at the lowest power.
[!driven] [peep-sight] Sight along it at the star. Then look at the lowest power.
[!driven] [slow-motion-rod] For the last bit, turn the rods. One won’t turn? Don’t force it: turn it back, and point again.
Not in view? Move in small circles around the place. Don’t change the eyepiece.`,
  }),
  block({
    key: 'controller',
    title: 'The hand controller',
    needs: ['controller'],
    because: 'this kit has one',
    text: `${needleLines('[altazimuth] ')}
It asks these things in this order. Answer daylight saving with care: that is the most frequent fault.
The finder is in line first. Then line the mount up on two bright stars, well apart. If one is hidden, take the next.
It stops close to the star it names. The brightest one there is it.`,
  }),
  block({
    key: 'expect',
    title: 'What you will see',
    because: 'aperture {aperture}',
    text: `Don’t expect pictures in colour. Your eye sees faint things in grey.
Moon: craters, best along the edge of the shadow.
Planets: small, bright, and sharp for moments.
[!small-aperture] Jupiter’s belts, Saturn’s ring, bright clusters, the brightest nebulae as grey clouds.
[small-aperture] Jupiter’s moons, Saturn’s ring, bright clusters such as the Pleiades.
[first-time] Start with the Moon if it is up. It never lets you down.`,
  }),
  block({
    key: 'sky',
    title: 'Tonight',
    because: 'your place, the loan’s nights',
    text: '',
  }),
  block({
    key: 'follow',
    title: 'Follow the sky',
    because: `[driven] it follows by motors
[equatorial] equatorial: one rod alone
[altazimuth] it is nudged`,
    text: `[driven] The motors follow the sky by themselves once it is lined up.
[equatorial] [!driven] [slow-motion-rod] The sky moves. Turn the rod of the tilted axis only, and it follows.
[equatorial] [!driven] [!slow-motion-rod] The sky moves. Turn it on its tilted axis only, and it follows.
[equatorial] Near the pole the axes feel wrong. Go slowly there.
[altazimuth] [!driven] The sky moves. Nudge the tube a little every half minute.
[equatorial] Look east, and the tube is on the ${tubeSides.lookingEast} side of its stand. Look west, and it is on the ${tubeSides.lookingWest} side. Under the pole it is the other way round.`,
  }),
  block({
    key: 'trouble',
    title: 'It doesn’t work',
    because: 'every kit',
    text: '',
  }),
  block({
    key: 'phone',
    title: 'Your phone’s camera',
    needs: ['phone-holder'],
    because: 'a phone holder is there',
    text: `Find the Moon with your eye first, at the lowest power.
It fits over: {phone eyepieces}.
Clamp the phone into its piece, the camera free. Push the other piece over the eyepiece and turn it until it grips.
Slide the phone until the Moon shines round in the middle of its screen. Then tighten.
Hold the tube meanwhile: the phone makes it heavy at that end.
Press the button with the timer, so that nothing shakes.`,
  }),
  block({
    key: 'away',
    title: 'Put it away',
    because: 'the same steps backwards',
    stays: '[counterweight] Tube off first, then the weight: the other way round it tips over.',
    text: `Nothing is wiped. Tell us about any trouble; nobody is blamed.`,
  }),
  block({
    key: 'mirror',
    title: 'The glass and its screws',
    because: `[no-screws] nothing to line up
[mirror-ours] your policy: left to us
[mirror-yours] your policy: with the help sheet`,
    stays: '',
    text: `[no-screws] Leave the glass and its screws to us. Stars look odd? Tell us.
[mirror-ours] Leave the mirrors and their screws to us. Stars look like little comets? Tell us.
[opens-anew] This tube doesn’t always come back the same. Every star has a tail to one side? Slide it shut, open it, lock it again.
[mirror-yours] You may line up the mirror with the help sheet. Small turns, and never over the mirror. Unsure? Tell us.`,
  }),
]

export const blockOf = (key: string): BlockDefinition | undefined => blocks.find((each) => each.key === key)
