/**
 * Planning values of the rehearsal, after handbook 10. Each can be set, and for the checks against
 * theory switched off by Infinity or 0.
 */
export interface PlanningValues {
  /** seconds that a player fills before the first picture, after a stall and after a seek */
  readonly startS: number
  /** seconds that a player holds ready at most */
  readonly bufferS: number
  /** how many times as fast as it plays a picture is converted at most */
  readonly conversionLimit: number
  /** the same of everything else */
  readonly otherLimit: number
  /** a stream steps down when no more seconds than these are ready, and so long apart */
  readonly stepAtS: number
  readonly stepApartS: number
  /** the stall with which a viewer gives up, and the wait at a stretch, seconds */
  readonly stallsBorne: number
  readonly waitBorneS: number
  /** seeks in a half hour of watching, as a chance */
  readonly seekChance: number
  /** share of their time that drives read for viewers: as usual, in a rebuild, beside a copy */
  readonly driveShare: number
  readonly driveShareRebuilding: number
  readonly driveShareCopying: number
  readonly hangS: number
  /** share of the upload that an upload under way takes */
  readonly uploadTaken: number
}

export const usualValues: PlanningValues = {
  startS: 10,
  bufferS: 60,
  conversionLimit: 4,
  otherLimit: 10,
  stepAtS: 15,
  stepApartS: 10,
  stallsBorne: 3,
  waitBorneS: 180,
  seekChance: 0.5,
  driveShare: 0.7,
  driveShareRebuilding: 0.3,
  driveShareCopying: 0.35,
  hangS: 600,
  uploadTaken: 0.6,
}

/** Viewers who wait for ever: for the laws and for comparisons with theory. */
export const patient: Pick<PlanningValues, 'stallsBorne' | 'waitBorneS'> = {
  stallsBorne: Infinity,
  waitBorneS: Infinity,
}
