import { describe, expect, it } from 'vitest'
import { markLabels, type LabelledMark } from './markLabels'

const frame = { left: 0, right: 600, top: 0, bottom: 300 }
const mark = (id: string, x: number, y: number, always = false): LabelledMark => ({
  id,
  text: `Name ${id}`,
  x,
  y,
  always,
})

describe('names beside marks', () => {
  it('stand to the right, or where there is room', () => {
    expect(markLabels([mark('a', 100, 100)], frame)).toMatchObject([{ id: 'a', anchor: 'start' }])
    expect(markLabels([mark('a', 590, 100)], frame)).toMatchObject([{ anchor: 'end' }])
    // One mark at each side leaves above and below.
    const between = markLabels(
      [mark('a', 100, 100), mark('left', 60, 100), mark('right', 140, 100)],
      frame,
    )
    expect(between.find(({ id }) => id === 'a')).toMatchObject({ anchor: 'middle', x: 100 })
  })
  it('never cover each other, however many marks there are', () => {
    const many = Array.from({ length: 40 }, (_, at) =>
      mark(`${at}`, 30 + ((at * 97) % 540), 30 + ((at * 53) % 240)),
    )
    const labels = markLabels(many, frame)
    expect(labels.length).toBeGreaterThan(8)
    const boxes = labels.map(({ text, x, y, anchor }) => {
      const width = text.length * 6.4
      const left = anchor === 'start' ? x : anchor === 'end' ? x - width : x - width / 2
      return { left, right: left + width, top: y - 11, bottom: y + 4 }
    })
    boxes.forEach((a, at) =>
      boxes.slice(at + 1).forEach(b => {
        const apart =
          a.right <= b.left || b.right <= a.left || a.bottom <= b.top || b.bottom <= a.top
        expect(apart).toBe(true)
      }),
    )
    for (const { left, right } of boxes) {
      expect(left).toBeGreaterThanOrEqual(0)
      expect(right).toBeLessThanOrEqual(600)
    }
  })
  it('are there for the marks that are always named, and before all others', () => {
    const crowd = Array.from({ length: 30 }, (_, at) => mark(`${at}`, 300 + at, 150 + (at % 5)))
    const labels = markLabels([...crowd, mark('answer', 310, 150, true)], frame)
    expect(labels[0]!.id).toBe('answer')
  })
})
