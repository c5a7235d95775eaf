import { field, figureOf, minus, sum } from '../expressions/expression'
import { correctedExpression } from '../calibration/correctedExpression'
import type { MeasuredLines } from './measuredNetwork'

/** The upload, without what people away who edit take of it. */
export function leftOfUpload(
  uploadMbps: number,
  editingMbps: number,
  measured: Pick<MeasuredLines, 'upload' | 'enteredUploadMbps'> | null,
) {
  const entered = measured?.upload ? measured.enteredUploadMbps : uploadMbps
  const upload = correctedExpression(
    field('network.uploadMbps', [entered, 'Mb/s'], { before: 'upload' }),
    measured?.upload ?? null,
  )
  return editingMbps > 0
    ? sum(
        upload,
        minus(figureOf('network.editingMbps', [editingMbps, 'Mb/s'], { after: 'of editing' })),
      )
    : upload
}
