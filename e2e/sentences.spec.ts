import { views } from '../app/composables/views'
import { countedPlan, isBroken, wronglyCounted } from '../tests/wording/wording'
import { expect, test } from './fixtures'

// What the core says is read by a unit test; this reads what the pages make of it.
for (const count of (process.env.COUNTS ?? '1').split(' ').map(Number))
  test(`every page counts right with ${count} of everything`, async ({ numeron, page, server }) => {
    test.slow()
    const made = await fetch(`${server.address}/api/plans`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(countedPlan(count)),
    })
    const { id } = (await made.json()) as { id: string }
    const wrong = new Set<string>()
    await numeron.openLatest()
    await page.goto(`${server.address}/plans/${id}`)
    await expect(page.locator('#field-name')).toHaveValue(`Counts of ${count}`)
    for (const { label, sections } of views)
      for (const [at, section] of sections.entries()) {
        await numeron.goTo(label, at > 0 ? section.label : undefined)
        await numeron.settle()
        // Where a colour stands beside a word, its place is read as a gap.
        const text = (await page.locator('main').innerText()).replaceAll(/ {2,}/g, ' ')
        for (const line of text.split('\n'))
          if (isBroken(line.trim()) || wronglyCounted(line).length > 0)
            wrong.add(`${label}, ${section.label}: ${line.trim()}`)
      }
    expect([...wrong]).toEqual([])
  })
