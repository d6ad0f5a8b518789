import type { Role } from './roles.ts'

/** Things that get mixed up between kits, in families (common practice, no source). */
const families: readonly (readonly Role[])[] = [
  ['eyepiece', 'low-eyepiece'],
  ['barlow', 'focal-extender'],
  ['diagonal', 'erecting-diagonal'],
  ['moon-filter', 'screw-in-sun-filter'],
  ['front-cap', 'inner-cap'],
  ['focuser-cap', 'eyepiece-cap', 'barlow-cap', 'diagonal-cap', 'finder-cap', 'collimation-cap'],
  ['finder'],
  ['slow-motion-rod'],
  ['counterweight'],
  ['hex-key', 'spanner'],
  ['controller'],
  ['tray'],
  ['manual', 'guide'],
]

/** Roles of things that may be taken for one of this role, its own among them; none where nothing looks like it. */
export const lookAlikeRoles = (role: Role): readonly Role[] => families.find((family) => family.includes(role)) ?? []
