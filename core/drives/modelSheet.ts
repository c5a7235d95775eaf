import type { DriveModel } from '../catalogue/driveModels'
import type { Format } from '../units/format'

const recordings = {
  conventional: 'conventional (CMR)',
  shingled: 'shingled (SMR)',
  flash: 'flash',
} as const

/** The data sheet of a drive model in a line. */
export function modelSheet(
  { recording, idleW, activeW, failuresPerYear, outerMBps, sheetReadErrorBits }: DriveModel,
  { number: n }: Pick<Format, 'number'>,
): string {
  return (
    `${recordings[recording]}, ${n(outerMBps)} MB/s, ${n(idleW)} W idle, ${n(activeW)} W ` +
    `active, ${n(failuresPerYear * 100)} % fail in a year, an unreadable sector in ` +
    `10${superscript(Math.log10(sheetReadErrorBits))} bits`
  )
}

/** @example superscript(14) // '¹⁴' */
function superscript(whole: number): string {
  return String(Math.round(whole)).replace(/\d/g, digit => '⁰¹²³⁴⁵⁶⁷⁸⁹'[Number(digit)]!)
}
