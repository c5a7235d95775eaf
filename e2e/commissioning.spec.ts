import { expect, test } from './fixtures'

test('a step is read, ticked with a note, found again after a reload, and taken back', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Commissioning')
  const sentence = page.locator('[data-run-book-sentence]')
  await expect(sentence).toContainText('With one pair of hands')
  // By keyboard: the first bar that is left, and from there to the next by an arrow.
  const first = page.locator('[data-step][tabindex="0"]')
  await first.focus()
  await page.keyboard.press('Enter')
  const inspector = page.locator('[data-inspector]')
  await expect(inspector).toContainText('Good')
  await inspector.getByRole('button', { name: 'Done', exact: true }).click()
  await expect(sentence).toContainText(/^1 of \d+ steps/)
  await inspector.getByLabel('Note').fill('Dust behind the grille')
  await inspector.getByLabel('Note').press('Tab')
  await numeron.expectSaved()
  await page.reload()
  await expect(sentence).toContainText(/^1 of \d+ steps/)
  await page.locator('[data-step].done').click()
  await expect(page.locator('[data-inspector]').getByLabel('Note')).toHaveValue(
    'Dust behind the grille',
  )
  await page.locator('[data-inspector]').getByRole('button', { name: 'Not done after all' }).click()
  await expect(sentence).toContainText('With one pair of hands')
})

test('what is not so is found by questions, kept with its step, and leads back to it', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Commissioning')
  await page.locator('[data-step="pool.test"]').click()
  const inspector = page.locator('[data-inspector]')
  await inspector.getByRole('button', { name: 'It is not so' }).click()
  await inspector.getByRole('link', { name: 'A drive fails a test' }).click()
  const question = page.locator('[data-question]')
  await expect(question).toContainText('under two weeks old')
  await question.getByRole('button', { name: 'No', exact: true }).click()
  await question.getByRole('button', { name: 'The count of CRC errors' }).click()
  await expect(page.locator('[data-found]')).toContainText('The lead or the port.')
  // The way back of the browser takes the last answer back.
  await page.goBack()
  await expect(question).toContainText('What failed?')
  await question.getByRole('button', { name: 'The test was interrupted' }).click()
  await page.getByRole('button', { name: 'Keep it with the step' }).click()
  await page.getByRole('link', { name: 'Do the step again' }).click()
  await expect(inspector.getByLabel('Note')).toHaveValue(/A restart, a power cut, or it slept\./)
})
