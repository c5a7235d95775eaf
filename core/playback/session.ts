import type { Capabilities } from '../catalogue/deviceClasses'
import type { TitleMakeup } from './titleTraits'

/** One title on one device at one place, under its limits. */
export interface Session {
  readonly title: TitleMakeup
  readonly device: Capabilities
  /** what its link carries for this session, Mb/s; a title's peaks must fit */
  readonly linkMbps: number
  /**
   * what the viewer or the household allows, Mb/s; a title's mean must fit. Infinity without a cap
   */
  readonly capMbps: number
  /** subtitles are shown */
  readonly subtitled: boolean
}

/** What has to be done about a reason, from least to most. */
export const fixesOfReasons = ['repack', 'sound', 'picture'] as const
export type Needs = (typeof fixesOfReasons)[number]

/**
 * Why a title does not play as it is: a code with its numbers and names; `reasonText` puts it into
 * words.
 */
export interface Reason {
  readonly code: string
  readonly needs: Needs
  readonly values: ReasonValues
}
export type ReasonValues = Readonly<Record<string, string | number | boolean>>
