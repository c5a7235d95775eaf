import { describe, expect, it } from 'vitest'
import { catalogue } from '../catalogue/catalogue'
import { planSchema } from '../plan/planSchema'
import { arrangeDrives } from './arrangeDrives'
import { driveOffers } from './growth/driveOffers'
import { isRefusal } from './layouts/layout'
import { needByLayout } from './needByLayout'
import { roomTB } from './poolOf'
import { poolChoices } from '../../tests/stubs/poolChoices'

const { drives, choices } = planSchema.parse({
  name: 'x',
  drives: { driveClass: 'nas', hotSpares: 0 },
})
const ask = (contentTB: number, maxDrives: number, hotSpares = 0) =>
  needByLayout({
    drives: { ...drives, hotSpares },
    choices: poolChoices(choices),
    catalogue,
    contentTB,
    maxDrives,
  })

describe('the same need under every layout', () => {
  it.each([
    [0.5, 4, 0],
    [12, 4, 0],
    [25, 6, 0],
    [40, 8, 1],
    [90, 12, 0],
  ])(
    'of %d TB in %d bays with %d spares is the cheapest of all sizes and numbers',
    (contentTB, maxDrives, hotSpares) => {
      for (const { layout, drives: found } of ask(contentTB, maxDrives, hotSpares)) {
        let least = Infinity
        for (const { sizeTB, price } of driveOffers(drives, catalogue)) {
          for (let count = 1; count <= maxDrives; count++) {
            const arrangement = arrangeDrives(
              layout,
              Array.from({ length: count }, () => ({ sizeTB, role: 'any' as const })),
              hotSpares,
            )
            if (!isRefusal(arrangement) && roomTB(arrangement.usableTB, drives) >= contentTB)
              least = Math.min(least, count * price)
          }
        }
        expect(found ? found.price : Infinity, layout.id).toBe(least)
        if (found) expect(found.roomTB).toBeGreaterThanOrEqual(contentTB)
      }
    },
  )
  it('costs what the class of drive usually costs, and is told with its chance of loss', () => {
    const mirror = ask(12, 4).find(({ layout }) => layout.id === 'mirror')!.drives!
    expect(mirror).toMatchObject({ count: 2, sizeTB: 16, price: 578 })
    expect(mirror.lossChanceAtHorizon).toBeGreaterThan(0)
    expect(mirror.lossChanceAtHorizon).toBeLessThan(0.001)
  })
  it('is nothing where no drives in the bays are enough', () => {
    expect(ask(30, 4).find(({ layout }) => layout.id === 'mirror')!.drives).toBe(null)
    expect(ask(1, 0).every(({ drives: found }) => found === null)).toBe(true)
  })
})
