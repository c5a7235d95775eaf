import { violationsOf } from './axe'
import { test as base, expect, type Locator, type Page } from '@playwright/test'
import { TestServer } from './server'

/** Every rule of axe; those that depend on colours; those that depend on how wide the page is. */
const rulesOf = {
  all: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'],
  contrast: ['color-contrast'],
  layout: [
    'target-size',
    'scrollable-region-focusable',
    'aria-hidden-focus',
    'heading-order',
    'page-has-heading-one',
  ],
}

/** Drives the pages of Numeron as a person would. */
export class NumeronPage {
  constructor(
    readonly page: Page,
    readonly server: TestServer,
  ) {}

  async openLatest(): Promise<void> {
    await this.page.goto(this.server.address)
    await expect(this.page.locator('.headroom-line')).toBeVisible()
  }

  async openPlans(): Promise<void> {
    await this.page.goto(`${this.server.address}/plans`)
    await expect(this.page.getByRole('heading', { name: 'Plans' })).toBeVisible()
  }

  /** Goes to a view by the rail, and on to one of its sections. */
  async goTo(view: string, section?: string): Promise<void> {
    const rail = this.page.getByRole('navigation', { name: 'Views' })
    await rail.getByRole('link', { name: view }).click()
    await expect(rail.locator('[aria-current=page]')).toHaveText(view)
    if (!section) return
    const sections = this.page.getByRole('navigation', { name: `Sections of ${view}` })
    await sections.getByRole('link', { name: section }).click()
    await expect(sections.locator('[aria-current=page]')).toHaveText(section)
  }

  /** What is selected, with its fields. */
  get inspector() {
    return this.page.locator('[data-inspector]')
  }

  /** Picks an entry of the list in sight, so that the inspector holds its fields. */
  async pick(index: number): Promise<void> {
    const line = this.page.locator(`[data-pick="${index}"]`)
    if ((await line.getAttribute('aria-expanded')) !== 'true') await line.click()
    await expect(this.inspector).toBeVisible()
  }

  field(path: string) {
    return this.page.locator(`[id="field-${path}"]`).first()
  }

  async enter(path: string, value: string): Promise<void> {
    await this.field(path).fill(value)
  }

  /**
   * Chooses in the menu of a field, once it has unfolded: what is pressed before that moves away
   * from under the pointer.
   */
  async choose(path: string, name: string | RegExp): Promise<void> {
    await this.field(path).focus()
    await this.page.keyboard.press('ArrowDown')
    await this.press(name)
  }

  /** Presses an option of the menu that is open; something has to be chosen by it. */
  private async press(name: string | RegExp, exact = false): Promise<void> {
    const menu = this.page.locator('.v-menu.v-overlay--active > .v-overlay__content')
    await expect(menu).toHaveCount(1)
    await expect(menu).toBeVisible()
    await expect(menu).not.toHaveClass(/-enter-/)
    await menu.getByRole('option', { name, exact }).click()
    await expect(menu, `${name} is chosen`).toHaveCount(0)
  }

  /** Opens the tray of the machine's map at a kind of part. */
  async openTray(kind: string): Promise<void> {
    await this.page.locator('[data-tray] .v-select .v-field').first().click()
    await this.press(kind, true)
  }

  /** Chooses what the machine is built on, by typing its name. */
  async buildOn(name: string): Promise<void> {
    await this.field('machine.base').click()
    await this.field('machine.base').fill(name)
    await this.press(new RegExp(`^${name}(,|$| ·)`))
  }

  /** Presses a part of the tray. */
  async putIn(kind: string, id: string): Promise<void> {
    await this.openTray(kind)
    await this.page.locator(`[data-chip="${id}"]`).click()
  }

  /** Waits until what moves has arrived: pictures, menus and colours take a moment. */
  async settle(): Promise<void> {
    await this.page.evaluate(async () => {
      // On a busy machine a frame, or the end of something that moves, may never be told.
      const atMost = (what: Promise<unknown>) =>
        Promise.race([what, new Promise(done => setTimeout(done, 3000))])
      const frame = () => atMost(new Promise(done => requestAnimationFrame(done)))
      await frame()
      await frame()
      const ending = document
        .getAnimations()
        .filter(one => one.effect?.getComputedTiming().endTime !== Infinity)
      await atMost(Promise.allSettled(ending.map(one => one.finished)))
    })
  }

  /**
   * Drags in several steps, as a hand does: a busy browser may take the drag up only after the
   * first, and a single step would let go of nothing.
   */
  async drag(what: Locator, onto: Locator): Promise<void> {
    await what.dragTo(onto, { steps: 8 })
  }

  gauge(id: string) {
    return this.page.locator(`[data-verdict="${id}"]`)
  }

  async expectState(id: string, state: string | RegExp): Promise<void> {
    await expect(this.gauge(id)).toHaveAttribute('data-state', state)
  }

  async expectSaved(): Promise<void> {
    await expect(this.page.locator('[data-save]')).toHaveAttribute('data-save', 'saved')
  }

  async exportPlan(): Promise<{ name: string; text: string }> {
    await this.page.getByRole('button', { name: 'More', exact: true }).click()
    const item = this.page
      .locator('.v-overlay--active .v-list-item')
      .filter({ hasText: 'Export this plan' })
    await expect(item).toBeVisible()
    const [download] = await Promise.all([this.page.waitForEvent('download'), item.click()])
    const stream = await download.createReadStream()
    const chunks: Buffer[] = []
    for await (const chunk of stream) chunks.push(chunk as Buffer)
    return { name: download.suggestedFilename(), text: Buffer.concat(chunks).toString() }
  }

  async importText(name: string, text: string): Promise<void> {
    await this.page
      .locator('#import-file')
      .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) })
  }

  private readonly violations: string[] = []

  /**
   * Notes every violation that axe finds on the page as it stands; of every rule, of contrast, or
   * of what a narrow page lays out otherwise.
   */
  async checkAccessible(
    where: string,
    rules: 'all' | 'contrast' | 'layout' = 'all',
    part: 'page' | 'view' = 'page',
  ): Promise<void> {
    await expect(this.page.locator('h1').first()).toBeVisible()
    // From the top: what the headroom line covers while scrolled is no small target.
    await this.page.evaluate(() => window.scrollTo(0, 0))
    await this.settle()
    // Around the view stands the same in every section of it.
    const violations = await violationsOf(
      this.page,
      part === 'view' ? 'main' : ':root',
      rulesOf[rules],
    )
    this.violations.push(
      ...violations.map(({ id, targets }) => `${where}: ${id}: ${targets.slice(0, 4).join(' | ')}`),
    )
  }

  expectNoViolations(): void {
    expect(this.violations).toEqual([])
  }
}

interface Fixtures {
  numeron: NumeronPage
  problems: string[]
}
interface WorkerFixtures {
  server: TestServer
}

/**
 * Every test finds a server with the demo plan alone in it; an error in the page fails the test.
 */
export const test = base.extend<Fixtures, WorkerFixtures>({
  server: [
    // eslint-disable-next-line no-empty-pattern -- Playwright reads what a fixture needs from it
    async ({}, use) => {
      const server = new TestServer()
      await server.start()
      await use(server)
      await server.stop()
    },
    { scope: 'worker' },
  ],
  problems: async ({ page }, use) => {
    const problems: string[] = []
    page.on('pageerror', error => problems.push(error.message))
    page.on('console', message => {
      if (
        message.type() === 'error' &&
        /Content Security Policy|Unhandled|TypeError/.test(message.text())
      )
        problems.push(message.text())
    })
    await use(problems)
    expect(problems).toEqual([])
  },
  numeron: async ({ page, server, problems }, use) => {
    void problems
    await server.reset()
    await use(new NumeronPage(page, server))
  },
})
export { expect }
