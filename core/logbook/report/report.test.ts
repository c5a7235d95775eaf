import { describe, expect, it } from 'vitest'
import { assess } from '../../assess'
import { catalogue } from '../../catalogue/catalogue'
import { tideMillHouse } from '../../catalogue/tideMillHouse'
import { newPlan, planSchema, type Plan } from '../../plan/planSchema'
import { plainFormat } from '../../units/format'
import { drawPlan } from '../../../tests/plans/drawPlan'
import { calibrationRows } from '../calibrationRows'
import { escaped, headroomSvg } from './headroomSvg'
import { onePage } from './onePage'
import { reportHtml, reportMarkdown } from './writeReport'

const demo = planSchema.parse(tideMillHouse)
function pageOf(plan: Plan, withNames = false) {
  const { figures, verdicts, findings, domains } = assess(plan, catalogue)
  return onePage({
    plan,
    figures,
    verdicts,
    findings,
    rows: calibrationRows(plan, domains, catalogue),
    names: { machine: 'The old tower', layout: 'Dedicated parity' },
    atOnce: domains.household.atOnce,
    withNames,
    format: plainFormat,
    today: '2026-12-01',
  })
}

describe('the report on one page', () => {
  it('answers first, and says why', () => {
    const { answer, parts } = pageOf(demo)
    expect(answer).toMatch(/^This will not do, because .*\.$/)
    expect(parts.map(({ id }) => id)).toEqual([
      'need',
      'machine',
      'does',
      'costs',
      'risks',
      'basis',
    ])
    expect(parts[0]!.lines).toHaveLength(3)
    expect(parts.find(({ id }) => id === 'risks')!.lines).toHaveLength(3)
  })
  it('tells no names of people, places or the plan unless they are asked for', () => {
    const names = [
      demo.name,
      ...demo.household.viewers.map(({ name }) => name),
      ...demo.household.places.map(({ name }) => name),
    ]
    const text = (withNames: boolean) => reportHtml(pageOf(demo, withNames))
    for (const name of names) expect(text(false), name).not.toContain(escaped(name))
    for (const name of names) expect(text(true), name).toContain(escaped(name))
  })
  it('is in whole sentences for any plan, an empty one too', () => {
    for (const plan of [demo, newPlan('Nothing'), ...[1, 2, 3, 4, 5, 6].map(drawPlan)]) {
      const { answer, parts } = pageOf(plan)
      for (const line of [answer, ...parts.flatMap(({ lines }) => lines)]) {
        expect(line).toMatch(/^[\p{Lu}\d€−].*[.!?]$/u)
        expect(line).not.toMatch(/undefined|NaN|Infinity|null/)
      }
    }
  })
  it('has the numbers that the views show', () => {
    const { figures } = assess(demo, catalogue)
    const lines = pageOf(demo)
      .parts.flatMap(part => part.lines)
      .join('\n')
    expect(lines).toContain(plainFormat.money(figures['ownership.purchase']!.value!))
    expect(lines).toContain(plainFormat.quantity(figures['drives.roomTB']!.value!, 'TB'))
  })
})

describe('the files', () => {
  it('of HTML needs nothing else, and takes no text for a tag', () => {
    const evil = { ...demo, name: '<script>alert(1)</script> & "x"' }
    const html = reportHtml(pageOf(evil, true))
    expect(html).not.toContain('<script')
    expect(html).toContain('&lt;script&gt;alert(1)&lt;/script&gt; &amp; &quot;x&quot;')
    expect(html).not.toMatch(/(src|href)=|url\(|@import/)
    expect(html.startsWith('<!doctype html>')).toBe(true)
  })
  it('of Markdown says the same lines', () => {
    const page = pageOf({ ...demo, name: 'A *bold* [link](x)' }, true)
    const text = reportMarkdown(page)
    expect(text).toContain('# A \\*bold\\* \\[link\\](x)')
    expect(text.split('\n').filter(line => line.startsWith('- '))).toHaveLength(
      page.parts.flatMap(({ lines }) => lines).length,
    )
  })
  it('of the chart has a bar for each need, full where it is over', () => {
    const { verdicts } = pageOf(demo)
    const svg = headroomSvg(verdicts)
    expect(svg.match(/<g>/g)).toHaveLength(verdicts.length)
    expect(svg.match(/>over</g)?.length ?? 0).toBe(
      verdicts.filter(({ share }) => share !== null && share > 1).length,
    )
  })
})
