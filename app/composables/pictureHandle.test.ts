import { mount } from '@vue/test-utils'
import { defineComponent, h, ref } from 'vue'
import { beforeEach, describe, expect, it } from 'vitest'
import { usePlanStore } from '~/stores/planStore'
import { openDemo } from '../../tests/stubs/openPlan'
import { usePictureHandle } from './usePictureHandle'

let value: ReturnType<typeof ref<number>>
let locked: boolean
beforeEach(() => {
  openDemo()
  value = ref(40)
  locked = false
})
/**
 * A picture 200 wide whose handle sets whole numbers from 0 to 100 and what the plan's upload is.
 */
function mounted() {
  const store = usePlanStore()
  const Picture = defineComponent({
    setup() {
      const { handle, follow, release } = usePictureHandle({
        value: () => value.value!,
        min: 0,
        max: 100,
        step: 2,
        coarse: 10,
        valueAt: ({ x }) => x / 2,
        locked: () => locked,
        set(next) {
          value.value = next
          store.edit('network.uploadMbps', next)
        },
      })
      return () =>
        h('svg', { viewBox: '0 0 200 50', onPointermove: follow, onPointerup: release }, [
          h('circle', { tabindex: 0, ...handle }),
        ])
    },
  })
  const picture = mount(Picture, { attachTo: document.body })
  const mark = picture.find('circle')
  return {
    picture,
    mark,
    store,
    to: (clientX: number) => picture.trigger('pointermove', { clientX, clientY: 10 }),
  }
}

describe('a handle of a picture by keyboard', () => {
  it.each([
    ['ArrowRight', false, 42],
    ['ArrowUp', false, 42],
    ['+', false, 42],
    ['ArrowLeft', false, 38],
    ['ArrowDown', false, 38],
    ['-', false, 38],
    ['ArrowRight', true, 50],
    ['ArrowLeft', true, 30],
    ['PageUp', false, 50],
    ['PageDown', false, 30],
    ['Home', false, 0],
    ['End', false, 100],
  ])('%s, with Shift %s, goes from 40 to %d', async (key, shiftKey, expected) => {
    await mounted().mark.trigger('keydown', { key, shiftKey })
    expect(value.value).toBe(expected)
  })
  it('stops at its ends', async () => {
    const { mark } = mounted()
    value.value = 99
    await mark.trigger('keydown', { key: 'PageUp' })
    expect(value.value).toBe(100)
    value.value = 3
    await mark.trigger('keydown', { key: 'PageDown' })
    expect(value.value).toBe(0)
  })
  it('leaves other keys, and keys with Alt or Ctrl, to the page', async () => {
    const { mark } = mounted()
    await mark.trigger('keydown', { key: 'a' })
    await mark.trigger('keydown', { key: 'ArrowRight', altKey: true })
    await mark.trigger('keydown', { key: 'ArrowRight', ctrlKey: true })
    expect(value.value).toBe(40)
  })
  it('only shows its value while it is locked', async () => {
    locked = true
    await mounted().mark.trigger('keydown', { key: 'End' })
    expect(value.value).toBe(40)
  })
})

describe('a handle of a picture by mouse', () => {
  it('follows the pointer in steps, and is one step of undo', async () => {
    const { mark, picture, to, store } = mounted()
    const before = store.plan?.network.uploadMbps
    await mark.trigger('pointerdown', { button: 0, clientX: 80, clientY: 10 })
    await to(101)
    expect(value.value).toBe(50)
    await to(161)
    expect(value.value).toBe(80)
    await picture.trigger('pointerup')
    await to(20)
    expect(value.value).toBe(80)
    expect(store.plan?.network.uploadMbps).toBe(80)
    store.undo()
    expect(store.plan?.network.uploadMbps).toBe(before)
    expect(store.canUndo).toBe(false)
  })
  it('takes a press that moves by less than three for no drag', async () => {
    const { mark, picture, to } = mounted()
    await mark.trigger('pointerdown', { button: 0, clientX: 80, clientY: 10 })
    await to(82)
    await picture.trigger('pointerup')
    expect(value.value).toBe(40)
  })
  it('is not taken with another button', async () => {
    const { mark, to } = mounted()
    await mark.trigger('pointerdown', { button: 2, clientX: 80, clientY: 10 })
    await to(160)
    expect(value.value).toBe(40)
  })
  it('is given up with Escape, and then there is nothing to redo', async () => {
    const { mark, to, store } = mounted()
    const before = store.plan
    await mark.trigger('pointerdown', { button: 0, clientX: 80, clientY: 10 })
    await to(160)
    expect(store.plan?.network.uploadMbps).toBe(80)
    window.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }))
    expect(store.plan).toBe(before)
    expect(store.canRedo).toBe(false)
    await to(20)
    expect(store.plan).toBe(before)
  })
  it('lets go when the picture goes away', async () => {
    const { mark, to, picture, store } = mounted()
    await mark.trigger('pointerdown', { button: 0, clientX: 80, clientY: 10 })
    await to(160)
    picture.unmount()
    store.edit('network.uploadMbps', 7)
    store.undo()
    expect(store.plan?.network.uploadMbps).toBe(80)
  })
})
