import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { readReports } from '../core/logbook/reports/readReports'
import { driveHealth } from '../core/logbook/health/verdict'
import { readEntry } from '../core/logbook/entry'
import { entryKinds } from '../core/logbook/kinds'
import type { DriveValues } from '../core/logbook/driveValues'

const folder = join(import.meta.dirname, 'fixtures', 'reports')
const fixture = (name: string) => readFileSync(join(folder, `${name}.json`), 'utf8')
const only = (name: string) => {
  const found = readReports(fixture(name))
  expect(found).toHaveLength(1)
  return found[0]!
}
const valuesOf = (name: string) => only(name).entries[0]!.values as Record<string, unknown>

describe('a report of a drive', () => {
  it('of a disk that turns', () => {
    const { tool, version, entries, notes } = only('smartctl_ata_invented')
    expect([tool, version, notes]).toEqual(['smartctl', '7.3', []])
    expect(entries[0]).toMatchObject({ kind: 'driveReport', at: '2026-11-24T23:39:08Z' })
    expect(entries[0]!.values).toMatchObject({
      serial: 'SLC8-00417',
      model: 'Sluice 8',
      turns: true,
      passed: true,
      reallocated: 12,
      pending: 2,
      offline: 0,
      crc: 41,
      // The lowest 16 bits of three counters.
      timeouts: 3,
      // Never the raw value of an attribute: makers pack it.
      hours: 70_217,
      temperatureC: 41,
      limitC: 60,
      linkSlow: true,
      errorsLogged: 3,
      atThreshold: [190],
      wearPercent: null,
      uncorrectable: null,
      mediaErrors: null,
    })
    const values = entries[0]!.values as DriveValues
    expect(values.sizeTB).toBeCloseTo(8.0016, 4)
    expect(values.selfTests).toEqual([
      { length: 'short', end: 'passed', atHours: 4650 + 65_536 },
      { length: 'long', end: 'failed', atHours: 4600 + 65_536 },
      { length: 'long', end: 'interrupted', atHours: 3900 + 65_536 },
    ])
    const health = driveHealth([{ ...values, day: '2026-11-24' }], {
      hasRedundancy: true,
      longTestEveryHours: 720,
    })
    expect(health.verdict).toBe('replace')
    expect(health.reasons[0]!.id).toBe('selfTest')
  })
  it('of an NVMe drive that answered in part', () => {
    const { notes } = only('smartctl_nvme_invented')
    expect(notes).toEqual(['The drive answered in part: what it did not say is not known.'])
    expect(valuesOf('smartctl_nvme_invented')).toMatchObject({
      serial: 'WR2-7781',
      turns: false,
      wearPercent: 83,
      sparePercent: 100,
      spareThreshold: 10,
      mediaErrors: 0,
      criticalWarning: 0,
      writtenTB: 500,
      reallocated: null,
      crc: null,
      selfTests: [],
    })
  })
  it('that could not be made says why, and holds nothing', () => {
    expect(only('smartctl_all_vda')).toMatchObject({
      entries: [],
      notes: [
        'It could not read the drive: /dev/vda: Unable to detect device type. ' +
          'There is nothing in it.',
      ],
    })
    expect(only('smartctl_scan').entries).toEqual([])
    expect(only('smartctl_scan').notes[0]).toContain('a list of drives')
  })
  it('of an SSD takes its wear from the device statistics, else from what is left of 100', () => {
    const ssd = (parts: object) =>
      readReports(
        JSON.stringify({
          smartctl: { exit_status: 0 },
          serial_number: 'S',
          rotation_rate: 0,
          ...parts,
        }),
      )[0]!.entries[0]!.values as DriveValues
    const attribute = (id: number, value: number) => ({ id, value, raw: { value: 9 } })
    const table = [attribute(231, 0), attribute(233, 91), attribute(177, 200)]
    expect(ssd({ ata_smart_attributes: { table } }).wearPercent).toBe(9)
    expect(
      ssd({
        ata_smart_attributes: { table },
        ata_device_statistics: {
          pages: [
            {
              number: 7,
              table: [
                { name: 'Percentage Used Endurance Indicator', value: 4, flags: { valid: true } },
              ],
            },
          ],
        },
      }).wearPercent,
    ).toBe(4)
    expect(ssd({}).wearPercent).toBeNull()
  })
})

describe('a run of a disk', () => {
  it('that was too short is kept, and does not count', () => {
    const { entries } = only('fio_seq_read')
    expect(entries[0]).toMatchObject({ kind: 'disk', at: '2026-11-24T23:38:53Z' })
    expect(entries[0]!.leftOut).toBe('It ran for 0.09 s; under 10 s say little.')
    expect(valuesOf('fio_seq_read')).toMatchObject({
      pattern: 'seqRead',
      blockKiB: 1024,
      depth: 1,
      jobs: 1,
      seconds: 0.091,
      pastCache: 'yes',
    })
    expect(valuesOf('fio_seq_read').MBps).toBeCloseTo(737.46, 2)
    expect(valuesOf('fio_seq_read').gb).toBeCloseTo(0.0671, 4)
  })
  it('that failed has no value; one of two that failed leaves the other', () => {
    expect(only('fio_open_failed')).toMatchObject({
      entries: [],
      notes: ['“bad” failed with error 2; no value is taken from it.'],
    })
    const [good, bad] = [
      JSON.parse(fixture('fio_seq_read')),
      JSON.parse(fixture('fio_open_failed')),
    ]
    const both = readReports(JSON.stringify({ ...good, jobs: [...bad.jobs, ...good.jobs] }))[0]!
    expect(both.entries).toHaveLength(1)
    expect(both.notes).toHaveLength(1)
  })
  it('may have a message of the tool in front', () => {
    const found = readReports(`fio: this platform does not support it\n${fixture('fio_seq_read')}`)
    expect(found).toHaveLength(1)
    expect(found[0]!.notes[0]).toContain('fio: this platform does not support it')
    expect(found[0]!.entries).toHaveLength(1)
  })
})

/** What of a run the tests change. */
interface IperfLike {
  start: {
    connected: { remote_host: string }[]
    test_start: { target_bitrate: number; reverse: number }
  }
  end: {
    sum_received: { seconds: number }
    cpu_utilization_percent: { host_total: number }
    sum_received_bidir_reverse?: { bits_per_second: number; seconds: number }
  }
}

describe('a run over a network', () => {
  it('between one address and itself measured the computer', () => {
    const { entries } = only('iperf3_client')
    expect(entries[0]!.leftOut).toContain('Both ends have one address')
    // What arrived, and not what was sent.
    expect(valuesOf('iperf3_client').upMbps).toBeCloseTo(20_055.15, 1)
    expect(valuesOf('iperf3_client')).toMatchObject({ downMbps: null, retransmits: 2, streams: 1 })
  })
  it('that was cut short has no value: its 0 is no speed', () => {
    const { entries, notes } = only('iperf3_cut_short')
    expect(entries).toEqual([])
    expect(notes[0]).toContain('cut short: interrupt - the client has terminated')
  })
  const made = (change: (document: IperfLike) => void) => {
    const document = JSON.parse(fixture('iperf3_client')) as IperfLike
    document.start.connected[0]!.remote_host = '192.0.2.7'
    document.end.sum_received.seconds = 20
    change(document)
    return readReports(JSON.stringify(document))[0]!
  }
  it('counts where it ran long enough, at its own rate, and not against a busy processor', () => {
    expect(made(() => {}).entries[0]!.leftOut).toBeUndefined()
    const leftOut = (change: (document: IperfLike) => void) => made(change).entries[0]!.leftOut
    expect(leftOut(d => (d.end.sum_received.seconds = 4.9))).toContain('under 5 s')
    expect(leftOut(d => (d.start.test_start.target_bitrate = 5e7))).toContain('asked for')
    expect(leftOut(d => (d.end.cpu_utilization_percent.host_total = 90.1))).toContain('90 % busy')
    expect(leftOut(d => (d.end.cpu_utilization_percent.host_total = 90))).toBeUndefined()
  })
  it('says which way: reversed it is what was received; both ways at once, both', () => {
    const reversed = made(d => (d.start.test_start.reverse = 1)).entries[0]!.values
    expect(reversed).toMatchObject({ upMbps: null })
    expect((reversed as { downMbps: number }).downMbps).toBeCloseTo(20_055.15, 1)
    const both = made(d => {
      d.end.sum_received_bidir_reverse = { bits_per_second: 4e8, seconds: 20 }
    }).entries[0]!.values
    expect(both).toMatchObject({ downMbps: 400 })
  })
  it('that could not connect says so', () => {
    const found = readReports(
      JSON.stringify({ start: {}, intervals: [], end: {}, error: 'unable to connect' }),
    )
    expect(found[0]!.notes[0]).toBe('The run failed: unable to connect. No value is taken from it.')
  })
})

describe('any file', () => {
  const names = readdirSync(folder).map(name => name.replace('.json', ''))
  it('cut at every 200th byte gives a sentence, and never a value', () => {
    for (const name of names) {
      const text = fixture(name)
      for (let end = 0; end < text.trimEnd().length; end += 200) {
        const found = readReports(text.slice(0, end))
        expect(
          found.flatMap(({ entries }) => entries),
          `${name} at ${end}`,
        ).toEqual([])
        expect(found.flatMap(({ notes }) => notes).length, `${name} at ${end}`).toBeGreaterThan(0)
      }
    }
  })
  it('may hold several, each by itself', () => {
    const text = names.map(fixture).join('\n')
    const found = readReports(text)
    expect(found.map(({ tool }) => tool).sort()).toEqual(
      names.map(name => name.split('_')[0]).sort(),
    )
    const broken = readReports(
      `${fixture('fio_seq_read')}\n{"smartctl": {,}}\n${fixture('iperf3_client')}`,
    )
    expect(broken.map(({ tool }) => tool)).toEqual(['fio', '', 'iperf3'])
    expect(broken[1]!.notes).toEqual(['It is not valid JSON, so nothing is taken from it.'])
  })
  it('of an unknown kind, or empty, says so', () => {
    for (const text of ['', '   ', 'hello', '{}', '[{"a":1}]', '{"smartctl":null}', '12'])
      expect(
        readReports(text).flatMap(({ entries, notes }) => [...entries, ...notes]).length,
      ).toBeGreaterThan(0)
  })
  it('gives entries that the log takes', () => {
    let taken = 0
    for (const name of names)
      for (const { entries } of readReports(fixture(name)))
        for (const { simulated: _, ...entry } of entries) {
          const read = readEntry({ ...entry, id: 'x', at: entry.at ?? '2026-11-24' }, Date.now())
          if (!read.ok) expect.fail(`${name}: ${JSON.stringify(read.problems)}`)
          taken++
        }
    expect(taken).toBe(4)
    expect(Object.keys(entryKinds)).toHaveLength(19)
  })
})
