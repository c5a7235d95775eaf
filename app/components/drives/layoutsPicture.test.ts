import { expect, it } from 'vitest'
import { layouts } from '~~/core/drives/layouts/layouts'
import { layoutsPicture, rarestDrawn, shortName } from './layoutsPicture'

const at = (id: string, x: number, loss: number) => ({ id, label: id.repeat(8), x, loss })
const certain = (id: string, x: number) => at(id, x, 0.8)
const size = { width: 700, height: 360, atLeast: 30 }

it('draws safer layouts higher and roomier ones further right, what is needed in sight', () => {
  const { points, x } = layoutsPicture(
    [at('a', 20, 1e-4), at('b', 10, 0.3), at('c', 10, 1e-20)],
    size,
  )
  const [a, b, c] = ['a', 'b', 'c'].map(id => points.find(point => point.id === id)!)
  expect(a!.px).toBeGreaterThan(b!.px)
  expect(b!.py).toBeGreaterThan(a!.py)
  expect(c!.py).toBe(layoutsPicture([at('c', 10, rarestDrawn)], size).points[0]!.py)
  expect(x(30)).toBeLessThan(700)
})
it('draws no label over the mark of another layout', () => {
  const { points } = layoutsPicture([at('a', 10, 1e-4), at('b', 13, 1e-4)], size)
  const [a, b] = ['a', 'b'].map(id => points.find(point => point.id === id)!)
  expect(b!.px - a!.px).toBeLessThan(12 + 8 * 6.4)
  expect(Math.abs(a!.labelY - b!.py)).toBeGreaterThan(10)
})
it('draws no lead across the label of another layout', () => {
  const { points } = layoutsPicture(
    [
      at('a', 6.6, 2e-5),
      at('b', 8.3, 2.2e-5),
      at('c', 10, 2.3e-5),
      at('d', 10, 2.3e-5),
      at('e', 10, 2.3e-5),
      at('f', 3.3, 1e-8),
      at('g', 3.3, 1e-8),
    ],
    size,
  )
  for (const point of points)
    for (const other of points) {
      if (point === other || point.px === other.px) continue
      const length = other.label.length * 6.4
      const left = other.labelLeft ? other.px - 12 - length : other.px + 12
      // Where the lead stands at the height of the other's label.
      const share = (other.labelY - point.py) / (point.labelY - point.py || 1)
      if (Math.abs(point.labelY - point.py) <= 6 || share < 0 || share > 1) continue
      const px = point.px + share * (point.labelLeft ? -10 : 10)
      expect(px > left && px < left + length, `${point.id} across ${other.id}`).toBe(false)
    }
})
it('moves the labels of neighbours apart, and keeps those at the edge within the picture', () => {
  const { points } = layoutsPicture(
    [at('a', 20, 1e-4), at('b', 20, 1e-4), at('c', 20, 1.1e-4), at('d', 30, 0.1)],
    size,
  )
  const ys = ['a', 'b', 'c']
    .map(id => points.find(point => point.id === id)!.labelY)
    .sort((one, other) => one - other)
  expect(ys[1]! - ys[0]!).toBeGreaterThanOrEqual(14.9)
  expect(ys[2]! - ys[1]!).toBeGreaterThanOrEqual(14.9)
  expect(points.find(({ id }) => id === 'd')!.labelLeft).toBe(true)
})
it('keeps labels above the axis', () => {
  const crowd = ['a', 'b', 'c', 'd', 'e'].map((id, at) => certain(id, 10 + at / 10))
  for (const { labelY } of layoutsPicture(crowd, size).points)
    expect(labelY).toBeLessThanOrEqual(size.height - 40)
})
it('has a short name for every layout, and no two alike', () => {
  const names = layouts.map(({ label }) => shortName(label))
  expect(new Set(names).size).toBe(layouts.length)
  expect(Math.max(...names.map(name => name.length))).toBeLessThan(26)
  expect(shortName('Rotating parity, two drives (RAID 6)')).toBe('Rotating parity 2')
})
