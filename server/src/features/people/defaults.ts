/** The agreement a new branch begins with; the coordinator writes the next version in Set-up. */
export const defaultAgreementText = `You borrow this telescope kit free of charge until the day on the slip.
You bring it back in one piece, with every screw in its place and nothing wiped.
You tell us about any trouble; nobody is blamed, and nothing is mended at home.
You never point it at the Sun, and children use it with an adult.
What is lost is replaced at the prices shown; wear is ours.`

/** Policies a new branch begins with; all changeable. Days are common practice, no source. */
export const defaultPolicies = {
  maxAgeDays: { glass: 180, stand: 180, collimation: 120, star: 180, finder: 120, pack: 365 },
  collimation: 'leave-it-to-us',
} as const
