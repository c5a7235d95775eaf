import { describe, expect, it } from 'vitest'
import { catalogue } from '../catalogue/catalogue'
import { exactly } from '../figure'
import { planSchema, type PlanInput } from '../plan/planSchema'
import { archiveConversions } from './archiveConversion'

const plan = (holdings: NonNullable<PlanInput['library']>['holdings']) =>
  planSchema.parse({ name: 'x', library: { holdings } })
const table = catalogue.workTable

describe('re-encoding the archive', () => {
  it('100 films of 110 min at 8 Mb/s to HEVC: 0.27 TB and 24 days of two reference streams', () => {
    const [films] = archiveConversions(
      plan([{ quality: 'hd1080-h264', titles: 100, minutes: 110, bitrateMbps: 8 }]),
      catalogue,
      { capacity: exactly(2), codec: 'hevc8' },
    )
    expect(films!.savedTB.likely).toBeCloseTo(((100 * (8 - 4.8) * 110 * 60) / 8 / 1e6) * 1.02, 9)
    const work = table.decode.h264.flat.likely + table.encodeHevc.likely
    expect(films!.cpuDays.likely).toBeCloseTo((((100 * 110) / 1440) * work) / 2, 9)
    expect(films!.cpuDays.low).toBeLessThan(films!.cpuDays.likely)
    expect(films!.quality).toBe('hd1080-hevc')
  })
  it('keeps HDR, and maps no tones', () => {
    const [discs] = archiveConversions(
      plan([{ quality: 'uhd-disc', titles: 10, minutes: 120 }]),
      catalogue,
      { capacity: exactly(4), codec: 'hevc8' },
    )
    expect(discs).toMatchObject({ quality: 'uhd-hdr-hevc' })
    expect(
      archiveConversions(plan([{ quality: 'uhd-disc', titles: 10 }]), catalogue, {
        capacity: exactly(4),
        codec: 'h264',
      }),
    ).toEqual([])
  })
  it('leaves out what would grow, what is no video, and what is not there', () => {
    expect(
      archiveConversions(
        plan([
          { quality: 'hd1080-av1', titles: 10 },
          { kind: 'music', quality: 'music-lossless', titles: 10 },
          { quality: 'hd1080-disc', titles: 0 },
        ]),
        catalogue,
        { capacity: exactly(4), codec: 'hevc8' },
      ),
    ).toEqual([])
  })
  it('takes half the days with twice the processor', () => {
    const days = (streams: number) =>
      archiveConversions(plan([{ quality: 'hd1080-disc', titles: 50 }]), catalogue, {
        capacity: exactly(streams),
        codec: 'h264',
      })[0]!.cpuDays.likely
    expect(days(4)).toBeCloseTo(days(2) / 2, 9)
  })
})
