import { exactly } from '../figure'
import { markOf } from '../markOf'
import type { Network } from '../plan/network'
import { correctionOf, type Correction } from './correction'
import { heldAgainst, trialsOf, type Trials } from './heldTrials'

/** What measurements made of the internet line. */
export interface LineCorrections {
  readonly upload: Correction | null
  readonly download: Correction | null
}

/** A mark of a line: one that is entered anew was never measured. */
export const lineMark = (enteredMbps: number): string => markOf(String(enteredMbps))

/** What measurements made of the internet line as it is entered. */
export function lineCorrections(
  { uploadMbps, downloadMbps }: Pick<Network, 'uploadMbps' | 'downloadMbps'>,
  calibration: Trials,
): LineCorrections {
  const of = (figure: 'upload' | 'download', enteredMbps: number) =>
    correctionOf(
      figure,
      exactly(enteredMbps),
      trialsOf(calibration, figure, { mark: lineMark(enteredMbps) }).flatMap(trial =>
        heldAgainst(trial, enteredMbps),
      ),
    )
  return { upload: of('upload', uploadMbps), download: of('download', downloadMbps) }
}

/** The line with its rates as measured; the very same network where none count. */
export function withMeasuredLines<Lines extends Pick<Network, 'uploadMbps' | 'downloadMbps'>>(
  network: Lines,
  calibration: Trials,
): Lines {
  if (calibration.trials.length === 0) return network
  const { upload, download } = lineCorrections(network, calibration)
  return {
    ...network,
    uploadMbps: upload?.corrected.likely ?? network.uploadMbps,
    downloadMbps: download?.corrected.likely ?? network.downloadMbps,
  }
}
