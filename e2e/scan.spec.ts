import { readFileSync, readdirSync, writeFileSync } from 'node:fs'
import { expect, test } from './fixtures'

const files = readdirSync('tests/fixtures')
  .filter(name => name.startsWith('ffprobe'))
  .map(name => readFileSync(`tests/fixtures/${name}`, 'utf8'))
const upload = (name: string, text: string) => ({
  name,
  mimeType: 'application/json',
  buffer: Buffer.from(text),
})

test('a scan of real files is read, looked at, taken over and undone', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Library', 'Scan')
  await page.locator('#scan-file').setInputFiles(upload('library-scan.json', files.join('\n')))
  const result = page.getByRole('region', { name: 'What the scan holds' })
  await expect(result).toContainText('library-scan.json: 7 files, of which 7 make')
  await expect(result.locator('[data-group="uhd-hdr-hevc"]')).toContainText('27.4')
  await expect(result).toContainText('1 file interlaced')
  await result.getByRole('button', { name: 'Add to the holdings' }).click()
  await numeron.goTo('Library', 'Holdings')
  await numeron.pick(9)
  await expect(numeron.field('library.holdings.9.name')).toHaveValue(/^Scanned: UHD 2160 HDR, HEVC/)
  await expect(numeron.field('library.holdings.9.bitrateMbps')).toHaveValue('27.44')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.locator('[data-pick="9"]')).toHaveCount(0)
  await numeron.goTo('Library', 'Scan')

  // Dropped anywhere on the page.
  await page.evaluate(
    text => {
      const dataTransfer = new DataTransfer()
      dataTransfer.items.add(new File([text], 'again.json', { type: 'application/json' }))
      document
        .querySelector('h1')!
        .dispatchEvent(new DragEvent('drop', { dataTransfer, bubbles: true, cancelable: true }))
    },
    `[${files.join(',')}]`,
  )
  await expect(result).toContainText('again.json: 7 files')
  await result.getByRole('button', { name: 'Replace the holdings' }).click()
  await numeron.goTo('Library', 'Holdings')
  await expect(page.locator('[data-pick]')).toHaveCount(7)
  await numeron.expectSaved()
})

test('a broken scan says where, keeps the rest, and changes nothing by itself', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Library', 'Scan')
  await page
    .locator('#scan-file')
    .setInputFiles(upload('cut.json', files.join('\n').slice(0, -900)))
  const result = page.getByRole('region', { name: 'What the scan holds' })
  await expect(result).toContainText('6 files')
  await expect(result).toContainText('breaks off in the middle')
  await result.getByRole('button', { name: 'Dismiss' }).click()
  await expect(result).toBeHidden()
  await page
    .locator('#scan-file')
    .setInputFiles(
      upload(
        'list.csv',
        'name;size gb;minutes;codec;height\r\nA;6,6;110;h264;1080\r\nB;x;110;h264;1080\r\n',
      ),
    )
  await expect(result).toContainText('"x" is not a number')
  await expect(result.locator('[data-group="hd1080-h264"]')).toContainText('8')
  await page.locator('#scan-file').setInputFiles(upload('empty.json', ' '))
  await expect(result).toContainText('The file is empty')
  await numeron.checkAccessible('scan')
  numeron.expectNoViolations()
  await numeron.goTo('Library', 'Holdings')
  await numeron.pick(0)
  await expect(numeron.field('library.holdings.0.titles')).toHaveValue('160')
})

test('a long scan shows progress and can be cancelled, while the page goes on', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Library', 'Scan')
  const long = test.info().outputPath('long.json')
  writeFileSync(long, files.join('\n').repeat(4000))
  await page.locator('#scan-file').setInputFiles(long)
  await expect(page.getByRole('status').filter({ hasText: 'files read' })).toBeVisible()
  await page.locator('#field-name').fill('Long scan')
  await expect(page.locator('#field-name')).toHaveValue('Long scan')
  await page.getByRole('button', { name: 'Cancel' }).click()
  await expect(page.getByRole('region', { name: 'What the scan holds' })).toBeHidden()
})
