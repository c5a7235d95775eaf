import { fileURLToPath } from 'node:url'
import { violationsOf } from './axe'
import { expect, test } from './fixtures'

const viewOf = (url: string, section = '') =>
  `${url.replace(/\/plans\/([^/?#]+).*/, '/plans/$1')}/logbook${section}`
const report = (name: string) =>
  fileURLToPath(new URL(`../tests/fixtures/reports/${name}.json`, import.meta.url))

test('a measurement is entered on a phone, corrects its figure, and is said to be a mistake', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto(viewOf(page.url()))
  await page.locator('[data-kind=watts]').click()
  await page.locator('[data-field=watts] input').fill('62')
  await page.locator('[data-store-entry]').click()
  await expect(page.locator('[data-entry-list] li').first()).toContainText('62')
  await expect(page.locator('[data-entry-form]')).toContainText('Stored.')
  expect(await violationsOf(page, '[data-entries]')).toEqual([])
  // The very same again changes nothing.
  await page.locator('[data-kind=watts]').click()
  await page.locator('[data-field=watts] input').fill('62')
  await page.locator('[data-store-entry]').click()
  await expect(page.locator('[data-entry-form]')).toContainText('in the log already')

  await page.setViewportSize({ width: 1280, height: 800 })
  await page.goto(viewOf(page.url(), '/calibration'))
  const row = page.locator('[data-row=idleW]')
  await row.focus()
  await page.keyboard.press('Enter')
  const inspector = page.locator('[data-inspector]')
  await expect(inspector).toContainText('1 measurement makes it')
  expect(await violationsOf(page, '[data-calibration]')).toEqual([])
  await inspector.getByRole('button', { name: /Idle, with drives/ }).click()
  await expect(page.getByRole('dialog', { name: /^Show working/ })).toContainText('by measurement')
  await page.keyboard.press('Escape')
  await row.click()
  await inspector.getByRole('button', { name: /62 W/ }).click()
  await inspector.locator('[data-say=mistake]').click()
  await expect(inspector).toContainText("The plan's estimate stands.")
  await expect(inspector).toContainText('a mistake')
  await numeron.expectSaved()
})

test('reports are imported, a drive is to be replaced, and its loss is rehearsed', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await page.goto(viewOf(page.url()))
  const files = ['smartctl_ata_invented', 'iperf3_client', 'fio_open_failed', 'smartctl_scan']
  await page.locator('[data-log-files]').setInputFiles(files.map(report))
  const sheet = page.locator('[data-import-log]')
  await expect(sheet).toContainText('2 entries were understood')
  await expect(sheet).toContainText('goes to the drive register')
  await expect(sheet).toContainText('Both ends have one address')
  await expect(sheet).toContainText('failed with error 2')
  await expect(sheet).toContainText('a list of drives')
  await page.locator('[data-take-reports]').click()
  await expect(sheet).toContainText('2 entries were taken')
  await page.locator('[data-log-files]').setInputFiles(files.map(report))
  await page.locator('[data-take-reports]').click()
  await expect(sheet).toContainText('0 entries were taken; 2 were in the log already')

  await page.goto(viewOf(page.url(), '/drives'))
  const drive = page.locator('[data-drive="SLC8-00417"]')
  await expect(drive).toContainText('Replace')
  await drive.click()
  const inspector = page.locator('[data-inspector]')
  await expect(inspector).toContainText('Its last self-test failed.')
  await inspector.locator('[data-bay]').selectOption('1')
  await inspector.locator('[data-join-register]').click()
  await expect(drive).toContainText('Bay 1')
  expect(await violationsOf(page, '[data-register]')).toEqual([])
  await inspector.locator('[data-open-drill]').click()
  await expect(page.locator('[data-drill]')).toContainText('Day 1')
  await numeron.expectSaved()

  // The register raises the risk, and its working says so.
  await page.goto(viewOf(page.url(), '/drift'))
  await expect(page.locator('[data-alerts]')).toContainText('SLC8-00417')
  expect(await violationsOf(page, '[data-drift]')).toEqual([])
  await page.locator('[data-alert=drive] button').click()
  await expect(page.locator('[data-alert=drive]')).toHaveCount(0)
})

test('the report is saved as one file, which is opened without the server', async ({
  numeron,
  page,
}, testInfo) => {
  await numeron.openLatest()
  await page.goto(viewOf(page.url(), '/report'))
  await page.locator('[data-report]').waitFor()
  expect(await violationsOf(page, '[data-report]')).toEqual([])
  const answer = await page.locator('.page .answer').textContent()
  const waiting = page.waitForEvent('download')
  await page.locator('[data-save-html]').click()
  const file = testInfo.outputPath('report.html')
  await (await waiting).saveAs(file)
  const alone = await page.context().newPage()
  const asked: string[] = []
  alone.on('request', request => asked.push(request.url()))
  await alone.goto(`file://${file}`)
  await expect(alone.locator('.answer')).toHaveText(answer!)
  await expect(alone.locator('svg')).toBeVisible()
  expect(asked).toHaveLength(1)
})
