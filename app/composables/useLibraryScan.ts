import { onBeforeUnmount, ref, shallowRef } from 'vue'
import type { ScanMessage } from '~/workers/scanMessages'
import { scanLimitBytes } from '~/workers/scanMessages'

type DoneMessage = Extract<ScanMessage, { kind: 'done' }>

/** Reads a library scan in a worker, with progress and cancel; nothing is applied here. */
export function useLibraryScan() {
  const state = ref<'idle' | 'reading' | 'done' | 'failed'>('idle')
  const share = ref(0)
  const files = ref(0)
  const message = ref('')
  const name = ref('')
  const result = shallowRef<DoneMessage | null>(null)
  let worker: Worker | null = null

  function stop(): void {
    worker?.terminate()
    worker = null
  }
  function fail(text: string): void {
    stop()
    message.value = text
    state.value = 'failed'
  }
  function reset(): void {
    stop()
    result.value = null
    message.value = ''
    state.value = 'idle'
  }

  function read(file: File): void {
    reset()
    name.value = file.name
    if (file.size > scanLimitBytes) {
      fail(
        `The file is ${(file.size / 1e9).toFixed(1)} GB; a scan may have at most ` +
          `${scanLimitBytes / 1e9} GB. Scan the library in parts.`,
      )
      return
    }
    share.value = 0
    files.value = 0
    state.value = 'reading'
    worker = new Worker(new URL('../workers/scan.worker.ts', import.meta.url), { type: 'module' })
    worker.onerror = () => fail('Reading stopped before the end of the file. Nothing was changed.')
    worker.onmessageerror = () => fail("The reader's answer could not be read.")
    worker.onmessage = ({ data }: MessageEvent<ScanMessage>) => {
      if (data.kind === 'progress') {
        share.value = file.size ? data.readBytes / file.size : 1
        files.value = data.files
      } else if (data.kind === 'failed') {
        fail(data.message)
      } else {
        stop()
        result.value = data
        state.value = 'done'
      }
    }
    worker.postMessage(file)
  }

  onBeforeUnmount(stop)
  return { state, share, files, message, name, result, read, reset }
}
