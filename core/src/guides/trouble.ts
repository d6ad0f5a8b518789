/** What doesn't work, as a tree: a sign, what to check on the way, one question with its answers, and what follows from
 * each. All in English sentences that languages translate. Common practice, no source (DOMAIN section 10). */
export interface TroubleSign {
  readonly key: string
  /** Tags of which all must fit. */
  readonly needs: readonly string[]
  readonly sign: string
  /** Walked through first; each with tags like a block's line. */
  readonly checks: string
  readonly question: string
  readonly answers: readonly {
    readonly key: string
    readonly answer: string
    readonly hint: string
    readonly then: string
    readonly needs?: string
  }[]
  /** What else it may be. */
  readonly besides: string
}

export const troubleSigns: readonly TroubleSign[] = [
  {
    key: 'black',
    needs: [],
    sign: 'You see nothing but black',
    checks: `Both caps off, front and eyepiece?
[barlow] Is {low eyepiece} in, and no Barlow?
[!barlow] Is {low eyepiece} in?
[diagonal] Diagonal in?`,
    question: 'Point at the Moon or a far lamp. Where does the finder point?',
    answers: [
      {
        key: 'beside',
        answer: 'Beside it',
        hint: 'move the tube',
        then: 'Move the tube until the finder points right at it. Then look again.',
      },
      {
        key: 'on',
        answer: 'On it, still black',
        hint: 'line the finder up',
        then: `Sweep slowly round it in small circles until something bright comes in.
[red-dot] Now leave the tube alone and turn the finder’s knobs until the dot sits on it.
[optical-finder] Now leave the tube alone and turn the finder’s screws until the cross sits on it.`,
      },
      {
        key: 'no-dot',
        needs: 'red-dot',
        answer: 'No dot at all',
        hint: 'switch, battery',
        then: `Turn its switch to the end. Is there a paper tab in the battery? Pull it.
Still no dot? Look along the tube instead, and tell us. Leave the battery door shut.`,
      },
    ],
    besides: 'Then: focus, dew on the glass, clouds.',
  },
  {
    key: 'blur',
    needs: [],
    sign: 'You see a blur',
    checks: `[barlow] Is {low eyepiece} in, and no Barlow?
[!barlow] Is {low eyepiece} in?
Not through a window, not over a warm roof?`,
    question: 'Turn the focus slowly through its whole way. Does it get sharp?',
    answers: [
      {
        key: 'sharp',
        answer: 'For a moment',
        hint: 'turn slower',
        then: 'Stop where it is smallest. Each eyepiece and each pair of eyes needs its own focus.',
      },
      {
        key: 'never',
        answer: 'Never',
        hint: 'dew, eyepiece, glass',
        then: `Dew? Hold the eyepiece in your warm hand for a minute. Don’t wipe anything.
[diagonal] Is the diagonal in? Use the one that bends the light at a right angle, 90°.
[!no-screws] A star like a little comet? That is the mirror: leave it to us, and tell us.
[no-screws] A star like a little comet? Leave the glass to us, and tell us.`,
      },
      {
        key: 'shakes',
        answer: 'It trembles',
        hint: 'touch, ground, wind',
        then: `[tripod-legs] Let go of it and count to five. Shorter legs and firm ground help most.
[!tripod-legs] Let go of it and count to five. Firm ground helps most.`,
      },
    ],
    besides: 'Then: give it half an hour outdoors to cool down.',
  },
  {
    key: 'slips',
    needs: [],
    sign: 'It slips or sinks',
    checks: `[equatorial] Both clutches closed, firm and no more?
[tray-twisted] Tray twisted until it locks?
[tray-screwed] Tray screwed on until it presses on all three legs?
[tray-bolted] All three wing nuts of the plate turned home?
[tray-brace] Brace snapped straight?
[tripod-legs] Legs spread all the way?`,
    question: 'Which way does it sink?',
    answers: [
      {
        key: 'tube',
        answer: 'The tube’s end sinks',
        hint: 'balance, tension',
        then: `[equatorial] Hold the tube. Open the weight’s screw a little, not out, and move the weight outward, towards its end stop.
[pan-handle] Turn the handle a little, until it stays.
[driven] [altazimuth] Close its clutch, firm and no more.
[rocker-bolt] [!on-table] Take the lighter eyepiece. Does it still sink? Tell us.
[altazimuth] [!pan-handle] [!driven] [!rocker-bolt] Tighten the tension a little, until it stays.
[on-table] [rocker-bolt] Tighten the tension a little, until it stays.`,
      },
      {
        key: 'weight',
        needs: 'equatorial',
        answer: 'The weight sinks',
        hint: 'weight inward',
        then: 'Hold the tube. Open the weight’s screw a little, not out, and move the weight inward.',
      },
      {
        key: 'turns',
        answer: 'The tube turns or slides',
        hint: 'hold it, then tighten',
        then: 'Hold the tube with one hand. Tighten what clamps it. If it still moves, take it down and tell us.',
      },
    ],
    besides: 'Then: point it a little lower and try again.',
  },
  {
    key: 'motor',
    needs: ['controller'],
    sign: 'It goes to the wrong place, or not at all',
    checks: `Controller plugged in before the mount was switched on?
[power-pack] The pack’s own switch on?`,
    question: 'What does it do?',
    answers: [
      {
        key: 'dead',
        answer: 'Nothing lights up',
        hint: 'power|supply',
        then: 'Try the other plug end. Keep everything dry. Cells go in as the drawing in the door shows.',
      },
      {
        key: 'far',
        answer: 'It points far off',
        hint: 'daylight saving, home',
        then: 'Begin anew from home. Check daylight saving first, then the date, then the place.',
      },
      {
        key: 'near',
        answer: 'It points a little off',
        hint: 'line up again',
        then: 'Line it up anew on two bright stars. In the middle of the view, with the higher power.',
      },
    ],
    besides: 'Then: use it by hand, with its keys.',
  },
  {
    key: 'missing',
    needs: [],
    sign: 'Something is missing or doesn’t fit',
    checks: 'Looked in the lid, under the foam and in the pouch?',
    question: 'What is it?',
    answers: [
      {
        key: 'part',
        answer: 'A part is missing',
        hint: 'tell us now',
        then: 'Tell us which one. Don’t put anything else in its place.',
      },
      {
        key: 'fit',
        answer: 'It doesn’t fit',
        hint: 'stop, no force',
        then: 'Stop, and force nothing. A picture helps us most.',
      },
      {
        key: 'cell',
        needs: 'coin-cell',
        answer: 'The coin cell is gone',
        hint: 'act at once',
        then: `A swallowed cell burns within two hours. If a child may have swallowed it, act at once: {emergency}.
Then ring us.`,
      },
    ],
    besides: '',
  },
]
