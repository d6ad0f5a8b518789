/** Full-aperture front filters: the only kind that may be lent, and only where the programme decided so (DOMAIN 13). */

export const filterMaterials = ['film', 'glass'] as const
export type FilterMaterial = (typeof filterMaterials)[number]

export const filterFastenings = ['screwed', 'taped', 'clamped'] as const
export type FilterFastening = (typeof filterFastenings)[number]

export const filterMaterialWords: Readonly<Record<FilterMaterial, string>> = {
  film: 'film in a cell',
  glass: 'coated glass in a cell',
}

export const filterFasteningWords: Readonly<Record<FilterFastening, string>> = {
  screwed: 'three screws at the rim',
  taped: 'taped on all round',
  clamped: 'clamped, with a strap',
}

/** Roles that endanger somebody by lying in a case at all. */
export const hazardRoles = { 'screw-in-sun-filter': 'screw-in-sun-filter', laser: 'laser-in-case' } as const
export type HazardRole = keyof typeof hazardRoles

export const isHazardRole = (role: string): role is HazardRole => Object.hasOwn(hazardRoles, role)
