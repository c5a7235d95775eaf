import { expect, it } from 'vitest'
import { tideMillHouse } from '../../core/catalogue/tideMillHouse'
import { planSchema } from '../../core/plan/planSchema'
import { measuredDraw } from '../plans/measuredDraw'
import { drawPlan } from '../plans/drawPlan'
import { unreached } from './probe'

it('figures that move with the register or beside measurements reach the fields that they follow', () => {
  const plan = planSchema.parse({
    ...tideMillHouse,
    drives: {
      ...planSchema.parse(tideMillHouse).drives,
      register: [
        { serial: 'A', bay: 1, health: 'replace' },
        { serial: 'B', bay: 2, health: 'watchSectors' },
        { serial: 'C', bay: 3, health: 'keep' },
      ],
    },
  })
  expect(unreached(plan, 3, 1)).toEqual([])
  expect(unreached(measuredDraw(drawPlan(8), 8), 8, 1)).toEqual([])
}, 150_000)
