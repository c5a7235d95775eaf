import { shallowRef } from 'vue'
import { beforeEach, describe, expect, it } from 'vitest'
import { newPlan, type Plan } from '~~/core/plan/planSchema'
import { usePlanHistory } from './planHistory'

let clock: number
let plan: ReturnType<typeof shallowRef<Plan | null>>
let history: ReturnType<typeof usePlanHistory>

beforeEach(() => {
  clock = 0
  plan = shallowRef<Plan | null>(newPlan('first'))
  history = usePlanHistory({
    plan: plan as never,
    apply: next => (plan.value = next),
    now: () => clock,
  })
  history.reset()
})
function edit(name: string, path = 'name', afterMs = 5000): void {
  clock += afterMs
  const before = plan.value!
  plan.value = { ...before, name }
  history.remember(path, before)
}
const name = () => plan.value?.name

describe('undoing', () => {
  it('goes back step by step and forth again', () => {
    edit('second')
    edit('third')
    expect([history.canUndo.value, history.canRedo.value]).toEqual([true, false])
    history.undo()
    expect(name()).toBe('second')
    history.undo()
    expect(name()).toBe('first')
    expect(history.canUndo.value).toBe(false)
    history.redo()
    history.redo()
    expect(name()).toBe('third')
    expect(history.canRedo.value).toBe(false)
  })
  it('brings back the very plan that was there', () => {
    const first = plan.value
    edit('second')
    history.undo()
    expect(plan.value).toBe(first)
  })
  it('takes typing in one field as one step, for as long as it goes on', () => {
    edit('s')
    edit('se', 'name', 1199)
    edit('sec', 'name', 1199)
    history.undo()
    expect(name()).toBe('first')
  })
  it('takes what comes after a pause, or in another field, as a step of its own', () => {
    edit('s')
    edit('se', 'name', 1200)
    history.undo()
    expect(name()).toBe('s')
    edit('x', 'brief.who', 100)
    edit('y', 'brief.place', 100)
    history.undo()
    expect(name()).toBe('x')
  })
  it('does not join whole plans, which have no field', () => {
    edit('second', '', 10)
    edit('third', '', 10)
    history.undo()
    expect(name()).toBe('second')
  })
  it('begins a new step after an undo, even in the same field at once', () => {
    edit('second')
    edit('third', 'name', 5000)
    history.undo()
    edit('fourth', 'name', 10)
    expect(history.canRedo.value).toBe(false)
    history.undo()
    expect(name()).toBe('second')
  })
  it('forgets what could be redone with the next edit, also one that goes on with a step', () => {
    edit('second')
    edit('third')
    history.undo()
    expect(history.canRedo.value).toBe(true)
    edit('other')
    expect(history.canRedo.value).toBe(false)
  })
  it('keeps 200 steps', () => {
    for (let step = 0; step < 230; step++) edit(`step ${step}`)
    let undone = 0
    while (history.canUndo.value) {
      history.undo()
      undone++
    }
    expect(undone).toBe(200)
    expect(name()).toBe('step 29')
  })
})

describe('a drag', () => {
  it('is one step, whatever it touches and however long it takes', () => {
    history.grab()
    edit('a', 'name')
    edit('b', 'brief.who')
    edit('c', 'name')
    history.letGo()
    history.undo()
    expect(name()).toBe('first')
    history.redo()
    expect(name()).toBe('c')
  })
  it('that is given up leaves everything as it was, with nothing to redo', () => {
    edit('second')
    history.grab()
    edit('dragged')
    edit('further')
    history.giveUp()
    expect(name()).toBe('second')
    expect([history.canUndo.value, history.canRedo.value]).toEqual([true, false])
  })
  it('that changed nothing and is given up takes no step back', () => {
    edit('second')
    history.grab()
    history.giveUp()
    expect(name()).toBe('second')
  })
  it('does not go on with the typing before it, nor the typing after with it', () => {
    edit('typed')
    history.grab()
    edit('dragged', 'name', 10)
    history.letGo()
    edit('typed again', 'name', 10)
    history.undo()
    expect(name()).toBe('dragged')
    history.undo()
    expect(name()).toBe('typed')
  })
})

describe('a history', () => {
  it('begins anew with another plan', () => {
    edit('second')
    plan.value = newPlan('another')
    history.reset()
    expect([history.canUndo.value, history.canRedo.value]).toEqual([false, false])
  })
  it('comes back to what was put there without a step of its own', () => {
    plan.value = newPlan('put there')
    edit('after')
    history.undo()
    expect(name()).toBe('put there')
  })
})
