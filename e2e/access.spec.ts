import { expect, test, type Page } from '@playwright/test'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { violationsOf } from './axe'
import { TestServer } from './server'

const passphrase = 'tide wheel lantern moss'
let server: TestServer
let folder: string
test.beforeEach(() => {
  server = new TestServer()
  folder = mkdtempSync(join(tmpdir(), 'numeron-access-'))
})
test.afterEach(async () => {
  await server.stop()
  rmSync(folder, { recursive: true, force: true })
})

const open = { NUMERON_HOST: '0.0.0.0', NUMERON_ALLOWED_HOSTS: 'mill.example' }
async function signIn(page: Page): Promise<void> {
  await page.getByLabel('Passphrase').fill(passphrase)
  await page.keyboard.press('Enter')
}
async function startSignedIn(page: Page): Promise<void> {
  writeFileSync(join(folder, 'passphrase'), `${passphrase}\n`)
  await server.start({ ...open, NUMERON_PASSPHRASE_FILE: join(folder, 'passphrase') })
  await page.goto(server.address)
  await signIn(page)
  await page.locator('.headroom-line').waitFor()
}

test(
  'a Numeron that is open to a network takes its passphrase at the first visit, and asks for ' +
    'it from then on',
  async ({ page, context }) => {
    await server.start(open)
    await page.goto(server.address)
    await expect(page).toHaveURL(/\/sign-in$/)
    await expect(page.getByRole('heading', { name: 'Choose a passphrase' })).toBeVisible()
    expect(await violationsOf(page)).toEqual([])
    await page.getByLabel('New passphrase').fill(passphrase)
    await page.getByLabel('The same again').fill('tide wheel lantern')
    await expect(page.getByText('The two are not the same.')).toBeVisible()
    await expect(page.getByRole('button', { name: 'Set the passphrase' })).toBeDisabled()
    await page.getByLabel('The same again').fill(passphrase)
    await page.getByRole('button', { name: 'Set the passphrase' }).click()
    await page.locator('.headroom-line').waitFor()

    // Another browser has to sign in; what it wanted comes after.
    const plan = page.url()
    const other = await (await context.browser()!.newContext()).newPage()
    await other.goto(`${plan}/streams`)
    await expect(other.getByRole('heading', { name: 'Sign in' })).toBeVisible()
    await other.getByLabel('Passphrase').fill('tide wheel lantern dust')
    await other.keyboard.press('Enter')
    await expect(other.locator('p[role=alert]')).toContainText('This is not the passphrase.')
    await signIn(other)
    await expect(other).toHaveURL(`${plan}/streams`)
    await other.locator('.headroom-line').waitFor()
  },
)

test('the page shows that it is open to the network, and signs out', async ({ page }) => {
  await startSignedIn(page)
  await page.getByRole('button', { name: 'Open to the network' }).click()
  await page.getByText('Sign out', { exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible()
  await page.goBack()
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible()
})

test('what is changed while signed out elsewhere is kept, and saved after signing in again', async ({
  page,
  context,
}) => {
  await startSignedIn(page)
  await page.evaluate(() => fetch('/api/session?everywhere', { method: 'DELETE' }))
  await page.getByLabel('Name of the plan').fill('Mill with a lock')
  await expect(page.locator('[data-save=offline]')).toContainText('You are signed out.')
  const tab = context.waitForEvent('page')
  await page.locator('.save-status a').click()
  await signIn(await tab)
  await expect(page.locator('[data-save=saved]')).toBeVisible({ timeout: 15_000 })
  await page.reload()
  await expect(page.getByLabel('Name of the plan')).toHaveValue('Mill with a lock')
})

test(
  "a reader's link shows the report on a phone without signing in, and ends when it is " +
    'revoked',
  async ({ page, browser }) => {
    await startSignedIn(page)
    await page.getByRole('button', { name: 'More', exact: true }).click()
    await page.getByText("Reader's link").click()
    await page.getByRole('button', { name: 'Make a link' }).click()
    const address = (await page.getByLabel('Link', { exact: true }).inputValue()).replace(
      'mill.example',
      '127.0.0.1',
    )
    await expect(page.getByRole('img', { name: "QR code of the reader's link" })).toBeVisible()
    expect(await violationsOf(page, '.v-overlay')).toEqual([])

    const phone = await (
      await browser.newContext({ viewport: { width: 375, height: 740 } })
    ).newPage()
    await phone.goto(address)
    await expect(phone.getByRole('heading', { name: 'Tide Mill House' })).toBeVisible()
    await expect(phone.locator('.headroom li')).toHaveCount(7)
    await expect(phone.locator('.word')).toContainText('This will not do')
    await expect(phone.getByRole('row', { name: /Together/ })).toContainText('€')
    expect(await phone.locator('input, textarea, select').count()).toBe(0)
    expect(
      await phone.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth),
    ).toBe(true)
    expect(await violationsOf(phone)).toEqual([])

    await page.getByRole('button', { name: 'Revoke the link' }).click()
    await expect(page.getByRole('button', { name: 'Make a link' })).toBeVisible()
    await phone.reload()
    await expect(phone.locator('p[role=alert]')).toContainText('This link shows nothing any more.')
  },
)

test('a run-book link ticks on a phone, also while the server is out, and changes nothing else', async ({
  page,
  browser,
}) => {
  await startSignedIn(page)
  await page.goto(`${page.url().replace(/\/(brief|start).*/, '')}/commissioning`)
  await page.locator('[data-run-book-link]').click()
  await page.getByRole('button', { name: 'Make a link' }).click()
  const address = (await page.getByLabel('Link', { exact: true }).inputValue()).replace(
    'mill.example',
    '127.0.0.1',
  )
  expect(await violationsOf(page, '.v-overlay')).toEqual([])
  await page.getByRole('button', { name: 'Close', exact: true }).click()

  const phone = await (
    await browser.newContext({ viewport: { width: 375, height: 740 } })
  ).newPage()
  await phone.goto(address)
  const first = await phone.locator('[data-one-do]').textContent()
  expect(await violationsOf(phone, '[data-one-step]')).toEqual([])
  await phone.locator('[data-one-done]').click()
  await expect(phone.locator('[data-one-do]')).not.toHaveText(first ?? '')
  await expect(phone.locator('[data-one-status]')).toHaveCount(0)

  await server.kill()
  const second = await phone.locator('[data-one-do]').textContent()
  await phone.getByLabel('Note').fill('The second fan is loud.')
  await phone.locator('[data-one-failed]').click()
  await expect(phone.locator('[data-one-status]')).toContainText('The server does not answer.')
  await server.start({ ...open, NUMERON_PASSPHRASE_FILE: join(folder, 'passphrase') })
  await expect(phone.locator('[data-one-status]')).toHaveCount(0, { timeout: 20_000 })
  if (process.env.SHOT) await phone.screenshot({ path: '.shots/tick-one.png' })
  await phone.getByRole('button', { name: 'Whole book' }).click()
  if (process.env.SHOT) await phone.screenshot({ path: '.shots/tick.png' })
  expect(await violationsOf(phone)).toEqual([])
  expect(await phone.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true)

  // What is edited at the desk meanwhile has the ticks too.
  await page.getByLabel('Name of the plan').fill('Mill with a phone')
  await expect(page.locator('[data-save=saved]')).toBeVisible({ timeout: 15_000 })
  await page.reload()
  await expect(page.getByLabel('Name of the plan')).toHaveValue('Mill with a phone')
  await page.locator('[data-run-book]').waitFor()
  const { plan } = await page.evaluate(
    id => fetch(`/api/plans/${id}`).then(answer => answer.json()),
    /plans\/([\w-]+)/.exec(page.url())![1],
  )
  expect(plan.commissioning.steps.map(({ state }: { state: string }) => state)).toEqual([
    'done',
    'failed',
  ])
  expect(plan.commissioning.steps[1].note).toContain('fan is loud')
  expect(second).not.toBe(first)
})
