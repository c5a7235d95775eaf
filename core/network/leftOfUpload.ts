import { field, figureOf, minus, sum } from '../expressions/expression'

/** The upload, without what people away who edit take of it. */
export function leftOfUpload(uploadMbps: number, editingMbps: number) {
  const upload = field('network.uploadMbps', [uploadMbps, 'Mb/s'], { before: 'upload' })
  return editingMbps > 0
    ? sum(
        upload,
        minus(figureOf('network.editingMbps', [editingMbps, 'Mb/s'], { after: 'of editing' })),
      )
    : upload
}
