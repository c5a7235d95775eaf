import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { h } from 'vue'
import { useSteadyHover } from './useSteadyHover'

/** Two neighbours, and what they hear of a pointer that comes by. */
function neighbours() {
  const heard: string[] = []
  const chip = (id: string) =>
    h('button', {
      id,
      onPointerenter: () => heard.push(`${id} entered`),
      onPointerleave: () => heard.push(`${id} left`),
    })
  const page = mount(
    {
      setup() {
        useSteadyHover()
        return () => h('div', [chip('one'), chip('two')])
      },
    },
    { attachTo: document.body },
  )
  const send = (kind: string, id: string, x: number, pointerType = 'mouse') =>
    page
      .find(`#${id}`)
      .element.dispatchEvent(
        new PointerEvent(`pointer${kind}`, { clientX: x, clientY: 5, pointerType }),
      )
  return { heard, send, page }
}

describe('a pointer', () => {
  it('enters and leaves what it moves over', () => {
    const { heard, send } = neighbours()
    send('enter', 'one', 10)
    send('move', 'one', 10)
    send('leave', 'one', 30)
    send('enter', 'two', 30)
    send('move', 'two', 30)
    expect(heard).toEqual(['one entered', 'one left', 'two entered'])
  })
  it('that stands still enters nothing that slides under it, until it moves', () => {
    const { heard, send } = neighbours()
    send('enter', 'one', 10)
    send('move', 'one', 10)
    send('leave', 'one', 10)
    send('enter', 'two', 10)
    expect(heard).toEqual(['one entered'])
    send('move', 'two', 11)
    expect(heard).toEqual(['one entered', 'one left', 'two entered'])
  })
  it('that finds again what slid away has never left it', () => {
    const { heard, send } = neighbours()
    send('enter', 'one', 10)
    send('move', 'one', 10)
    send('leave', 'one', 10)
    send('enter', 'two', 10)
    send('leave', 'two', 10)
    send('enter', 'one', 10)
    send('move', 'one', 11)
    expect(heard).toEqual(['one entered'])
  })
  it('that moves on leaves first what slid under it', () => {
    const { heard, send } = neighbours()
    send('enter', 'one', 10)
    send('move', 'one', 10)
    send('leave', 'one', 10)
    send('enter', 'two', 10)
    send('leave', 'two', 90)
    expect(heard).toEqual(['one entered', 'one left', 'two entered', 'two left'])
  })
  it('that is a finger enters wherever it is put', () => {
    const { heard, send } = neighbours()
    send('move', 'one', 10, 'touch')
    send('enter', 'one', 10, 'touch')
    expect(heard).toEqual(['one entered'])
  })
  it('is no longer held up once the page is gone', () => {
    const { heard, send, page } = neighbours()
    send('move', 'one', 10)
    const one = page.find('#one').element
    page.unmount()
    one.addEventListener('pointerenter', () => heard.push('entered'))
    document.body.append(one)
    one.dispatchEvent(new PointerEvent('pointerenter', { clientX: 10, clientY: 5 }))
    expect(heard).toContain('entered')
    one.remove()
  })
})
