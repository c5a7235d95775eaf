import { describe, expect, it } from 'vitest'
import { planSchema } from '../plan/planSchema'
import { printedDrives } from './printedDrives'

const printed = (drives: object) =>
  printedDrives(planSchema.parse({ name: 'x', drives }), sizeTB => `${sizeTB} TB`)

describe('drives on labels and on the card', () => {
  it('are those of the register by their bays, then those that are not in it yet', () => {
    expect(
      printed({
        lots: [
          { count: 2, sizeTB: 8 },
          { count: 1, sizeTB: 4 },
        ],
        register: [
          { serial: 'ABC123456789', lot: '8 TB', bay: 2 },
          { serial: 'X1', bay: 1 },
        ],
      }),
    ).toEqual([
      { bay: 1, size: '8 TB', serialEnd: 'X1' },
      { bay: 2, size: '8 TB', serialEnd: '456789' },
      { bay: 3, size: '4 TB', serialEnd: '' },
    ])
    expect(printed({ lots: [] })).toEqual([])
  })
})
