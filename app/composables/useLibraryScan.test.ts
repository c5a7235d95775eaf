import { mount } from '@vue/test-utils'
import { defineComponent, h } from 'vue'
import { describe, expect, it } from 'vitest'
import { useLibraryScan } from './useLibraryScan'

describe('a scan that is too large', () => {
  it('is refused before a byte of it is read, with the limit', () => {
    let scan!: ReturnType<typeof useLibraryScan>
    mount(
      defineComponent({
        setup() {
          scan = useLibraryScan()
          return () => h('p')
        },
      }),
    )
    scan.read({ name: 'all.json', size: 2_000_000_000 } as File)
    expect(scan.state.value).toBe('failed')
    expect(scan.message.value).toBe(
      'The file is 2.0 GB; a scan may have at most 1.5 GB. Scan the library in parts.',
    )
    scan.reset()
    expect(scan.state.value).toBe('idle')
  })
})
