import { qualities } from '~~/core/catalogue/qualities'
import { encodingOf } from '~~/core/formats/encodingOf'
import { LibraryScanReader } from '~~/core/formats/libraryScan'
import { ScanGrouping } from '~~/core/library/scanGroups'
import type { ScanMessage } from './scanMessages'

const post = (message: ScanMessage) => self.postMessage(message)

async function read(file: Blob): Promise<void> {
  const grouping = new ScanGrouping(qualities)
  let files = 0
  const reader = new LibraryScanReader(scanned => {
    files++
    grouping.add(scanned)
  })
  const decoder = new TextDecoder(encodingOf(new Uint8Array(await file.slice(0, 64).arrayBuffer())))
  let readBytes = 0
  let unreadable = false
  const stream = file.stream().getReader()
  let told = 0
  for (;;) {
    const { done, value } = await stream.read()
    const text = decoder.decode(value, { stream: !done })
    unreadable ||= text.includes('\uFFFD')
    reader.push(text)
    if (done) break
    readBytes += value.length
    if (readBytes - told > 1_000_000) {
      told = readBytes
      post({ kind: 'progress', readBytes, files })
    }
  }
  reader.end()
  if (unreadable)
    reader.note(
      1,
      'Some letters are not UTF-8 and were replaced. Names may look odd; the figures are ' +
        'not affected.',
    )
  post({
    kind: 'done',
    summary: grouping.summary(),
    problems: reader.problems,
    problemCount: reader.problemCount,
  })
}

self.onmessage = ({ data }: MessageEvent<File>) => {
  read(data).catch((error: unknown) =>
    post({
      kind: 'failed',
      message: error instanceof Error ? error.message : 'The scan cannot be read.',
    }),
  )
}
