import { mount } from '@vue/test-utils'
import { afterEach, describe, expect, it } from 'vitest'
import { h } from 'vue'
import { useSteadyPress } from './useSteadyPress'

const page = () =>
  mount(
    {
      setup() {
        useSteadyPress()
        return () =>
          h('div', { class: 'v-overlay__content' }, [
            h('div', { role: 'option', id: 'one' }, 'One'),
            h('div', { role: 'option', id: 'two' }, 'Two'),
          ])
      },
    },
    { attachTo: document.body },
  )
let mounted: ReturnType<typeof page> | null = null
afterEach(() => mounted?.unmount())

/** Presses one option and releases over another, the pointer moved by so much. */
function press(from: string, to: string, moved = 0): readonly string[] {
  mounted = page()
  const chosen: string[] = []
  for (const id of ['one', 'two'])
    document.getElementById(id)!.addEventListener('click', () => chosen.push(id))
  const at = (x: number) => ({ bubbles: true, button: 0, clientX: x, clientY: 10 })
  document.getElementById(from)!.dispatchEvent(new PointerEvent('pointerdown', at(10)))
  const under = document.getElementById(to)!
  under.dispatchEvent(new PointerEvent('pointerup', at(10 + moved)))
  under.dispatchEvent(new MouseEvent('click', at(10 + moved)))
  return chosen
}

describe('a press on an option', () => {
  it('chooses what it was begun on, though the list slid under the pointer meanwhile', () => {
    expect(press('one', 'two')).toEqual(['one'])
  })
  it('is left to the browser where nothing moved', () => {
    expect(press('one', 'one')).toEqual(['one'])
  })
  it('is taken back by a hand that moves away', () => {
    expect(press('one', 'two', 40)).toEqual(['two'])
  })
})
