import { describe, expect, it } from 'vitest'
import { readLogCsv } from './logCsv'

const table = (...lines: string[]) =>
  readLogCsv(['at,kind,value,unit,what,note', ...lines].join('\n'))
const values = (line: string) => table(line).entries[0]?.draft.values

describe('a table of readings', () => {
  it('is read line by line, each with its unit', () => {
    expect(values('2026-11-24,watts,61,W,idle,')).toEqual({ state: 'idle', watts: 61 })
    expect(values('2026-11-24,watts,0.061,kW,,')).toEqual({ state: 'idle', watts: 61 })
    expect(values('2026-11-24,energy,1500,Wh,,')).toEqual({ kWh: 1.5 })
    expect(values('2026-11-24,temperature,104,°F,SLC8-00417,')).toEqual({
      what: 'drive',
      serial: 'SLC8-00417',
      celsius: 40,
    })
    expect(values('2026-11-24,temperature,21,°C,room,')).toEqual({ what: 'room', celsius: 21 })
    expect((values('2026-11-24,space,10,TiB,,') as { usedTB: number }).usedTB).toBeCloseTo(
      10.995,
      3,
    )
    expect((values('2026-11-24,copy,100,MiB/s,large,') as { MBps: number }).MBps).toBeCloseTo(
      104.86,
      2,
    )
    expect(values('2026-11-24,network,0.9,Gb/s,,')).toEqual({ between: 'home', upMbps: 900 })
  })
  it('with decimal comma, semicolons, times and notes', () => {
    const { entries, problems } = readLogCsv(
      [
        'Date;Kind;Value;Unit;What;Note',
        '2026-11-24 20:15;watts;61,5;W;converting;after dinner',
        '24.11.2026;watts;60,25;W;;',
      ].join('\n'),
    )
    expect(problems).toEqual([])
    expect(entries.map(({ draft }) => [draft.at, draft.values, draft.note])).toEqual([
      ['2026-11-24T20:15Z', { state: 'converting', watts: 61.5 }, 'after dinner'],
      ['2026-11-24', { state: 'idle', watts: 60.25 }, ''],
    ])
  })
  it.each([
    ['2026-11-24,watts,61,°C,,', 'The unit “°C” does not fit power; it must be one of: W, kW.'],
    ['2026-11-24,watts,sixty,W,,', 'Value is “sixty”, which is no number.'],
    ['11/24/2026,watts,61,W,,', 'When is “11/24/2026”'],
    ['2026-02-30,watts,61,W,,', 'When is “2026-02-30”'],
    ['2026-11-24,noise,61,dB,,', 'Kind is “noise”'],
    ['2026-11-24,watts,61,W,asleap,', 'What must be one of'],
    ['2026-11-24,copy,61,MB/s,huge,', 'What must be one of'],
  ])('says what is wrong with %s', (line, message) => {
    const { entries, problems } = table(line)
    expect(entries).toEqual([])
    expect(problems[0]!.line).toBe(2)
    expect(problems[0]!.message).toContain(message)
  })
  it('names the columns that are missing', () => {
    expect(readLogCsv('at,value\n2026-11-24,4').problems[0]!.message).toContain(
      'kind, unit are missing',
    )
    expect(readLogCsv('').problems[0]!.line).toBe(1)
  })
})
