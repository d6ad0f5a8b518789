/** What a model's mount and tube measure; all lengths in mm. Null where a model has no such thing or nobody measured it. */
export interface MountData {
  readonly ratedLoadG: number | null
  readonly use: 'visual' | 'exposure'
  readonly equatorial: EquatorialHead | null
  readonly tube: TubeFigures | null
  /** Height of the legs' hinge, or of the base's upper board, for drawings. */
  readonly standHeightMm: number | null
  readonly controller: HandController | null
  /** The model's own home position; never the family's. */
  readonly home: HomePosition | null
  /** Null or left out where nothing meets, and where nobody tried. */
  readonly stop?: UpperStop | null | undefined
}

/** What of a kit meets what when its tube is swung up too far. */
export const stopMeetings = ['motor-leg', 'motor-tube', 'tube-leg', 'tube-tray', 'stand'] as const
export type StopMeeting = (typeof stopMeetings)[number]

/** How high a tube can look: swung up by hand until something is about to meet, then a step back. */
export interface UpperStop {
  /** Highest altitude that stays free, °; from the flat horizon. */
  readonly highestDeg: number
  readonly meets: StopMeeting
}

export interface EquatorialHead {
  /** Bare shaft, from the right-ascension axis: where it leaves the housing, and where the end stop begins. */
  readonly shaftStartMm: number
  readonly shaftEndMm: number
  readonly weightThicknessMm: number
  /** From the right-ascension axis to the tube's. */
  readonly tubeAxisMm: number
  readonly latitudeScale: { readonly minDeg: number; readonly maxDeg: number; readonly stepDeg: number }
  readonly sightingScope: 'none' | 'upright' | 'turned'
}

export interface TubeFigures {
  readonly lengthMm: number
  readonly diameterMm: number
  /** Middle of the front ring, or of the clamp where one holds it, from the low end. */
  readonly frontRingMm: number
  /** Where the finder sits, and where eyepiece and diagonal sit. */
  readonly finder: TubePlace
  readonly eyepiece: TubePlace
}

/** A place on the tube: along it from the balance point, + towards the sky; beside its axis; and its direction about the
 * axis, 0° straight away from the head, clockwise seen from behind. */
export interface TubePlace {
  readonly alongMm: number
  readonly radiusMm: number
  readonly angleDeg: number
}

export const controllerFields = [
  'date',
  'time',
  'zone',
  'daylight-saving',
  'longitude',
  'latitude',
  'elevation',
  'zone-place',
  'site',
  'mount-mode',
  'telescope',
  'alignment',
  'speed',
  'sync',
  'park',
  'switch-off',
] as const
export type ControllerField = (typeof controllerFields)[number]

/** How a model's hand controller asks. */
export interface HandController {
  readonly dateOrder: 'day-first' | 'month-first' | 'year-first'
  readonly clock: '24h' | '12h'
  /** Its own questions, in its own order. */
  readonly asks: readonly ControllerField[]
  /** What to answer where nothing can be computed: the mount's mode, the telescope in its list, how to park. */
  readonly answers?: Readonly<Partial<Record<ControllerField, string>>> | undefined
}

/** Questions whose answer follows from place and clock; the others are the model's to say. */
export const computedFields = [
  'date',
  'time',
  'zone',
  'daylight-saving',
  'longitude',
  'latitude',
  'elevation',
  'zone-place',
  'site',
] as const satisfies readonly ControllerField[]

export const isComputedField = (field: ControllerField): boolean =>
  (computedFields as readonly ControllerField[]).includes(field)

export const homeDrawings = ['equatorial', 'fork', 'marks'] as const

export interface HomePosition {
  readonly steps: readonly string[]
  readonly drawing: (typeof homeDrawings)[number]
}
