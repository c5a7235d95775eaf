import { describe, expect, it } from 'vitest'
import { assess } from '../../assess'
import { catalogue } from '../../catalogue/catalogue'
import { systemKinds } from '../../catalogue/systemKinds'
import { layouts } from '../../drives/layouts/layouts'
import { effectiveCatalogue } from '../../calibration/effectiveCatalogue'
import { planSchema, type PlanInput } from '../../plan/planSchema'
import { compareSystems, refusalReason } from './compareSystems'
import { portsOf, protocolsFor, serviceMemoryGB, serviceSums } from './services'

function rowsOf(input: Omit<PlanInput, 'name'>) {
  const plan = planSchema.parse({ name: 'x', ...input })
  const { domains } = assess(plan, catalogue)
  return compareSystems(effectiveCatalogue(plan, catalogue).systemKinds, {
    context: domains.fitting.context,
    wishes: plan.system,
    mixedSizes: new Set(plan.drives.lots.map(({ sizeTB }) => sizeTB)).size > 1,
    horizonYears: 5,
  })
}
const left = (input: Omit<PlanInput, 'name'>) =>
  rowsOf(input)
    .filter(({ rank }) => rank !== null)
    .map(({ kind }) => kind.id)
const why = (input: Omit<PlanInput, 'name'>, id: string) =>
  rowsOf(input)
    .find(({ kind }) => kind.id === id)!
    .refusals.map(({ code }) => code)

describe('kinds of system', () => {
  it('that ship know layouts that exist, and there is one for nearly everybody', () => {
    const ids = layouts.map(({ id }) => id)
    for (const kind of systemKinds)
      expect(
        kind.layouts.filter(id => !ids.includes(id)),
        kind.id,
      ).toEqual([])
    expect(systemKinds.map(({ id }) => id)).toEqual([
      'desktop',
      'maker',
      'stick',
      'storage',
      'server',
      'hypervisor',
    ])
  })
  it('are ranked by skill, then hours, then money', () => {
    expect(
      left({
        machine: { base: 'towpath' },
        drives: { lots: [{ count: 2, sizeTB: 8 }], layout: 'mirror' },
      }),
    ).toEqual(['desktop', 'stick', 'storage', 'server', 'hypervisor'])
    expect(
      rowsOf({})
        .filter(({ rank }) => rank !== null)
        .map(({ rank }) => rank),
    ).toEqual([1, 2, 3, 4, 5])
  })
  it("of one's own stand in the table with those that ship, and can be the plan's own", () => {
    const own = {
      id: 'barn',
      label: 'Barn system',
      like: 'storage',
      once: 40,
      perYear: 5,
      upToDrives: 4,
      skill: 1,
      upkeepHoursPerYear: 2,
      growsByOne: true,
    } as const
    const plan = planSchema.parse({ name: 'x', system: { kind: 'barn', ownKinds: [own] } })
    const { systemKinds: kinds } = effectiveCatalogue(plan, catalogue)
    expect(kinds).toHaveLength(systemKinds.length + 1)
    expect(kinds[0]).toMatchObject({
      id: 'barn',
      label: 'Barn system',
      layouts: systemKinds.find(({ id }) => id === 'storage')!.layouts,
      licence: { perYear: 5, steps: [{ upToDrives: 4, once: 40 }] },
      skill: 1,
      onlyOn: null,
    })
    const { domains } = assess(plan, catalogue)
    expect(domains.fitting.context.system?.id).toBe('barn')
    const [first] = compareSystems(kinds, {
      context: domains.fitting.context,
      wishes: plan.system,
      mixedSizes: false,
      horizonYears: 5,
    })
    expect(first).toMatchObject({ rank: 1, money: 65 })
    expect(
      effectiveCatalogue(
        planSchema.parse({ name: 'x', system: { ownKinds: [{ id: 'server' }] } }),
        catalogue,
      ).systemKinds,
    ).toHaveLength(systemKinds.length)
  })
  it('are struck out by musts, each with its reason', () => {
    expect(why({ machine: { base: 'towpath' } }, 'maker')).toEqual(['onlyOn'])
    expect(why({ machine: { base: 'wherry-4' } }, 'maker')).toEqual([])
    // An ARM chip runs what its maker, a desktop or a plain server system is made for.
    expect(
      ['storage', 'stick', 'hypervisor', 'server', 'desktop'].map(kind =>
        why({ machine: { base: 'coracle' } }, kind).includes('arm'),
      ),
    ).toEqual([true, true, true, false, false])
    expect(why({ machine: { base: 'skiff-4' } }, 'storage')).toEqual([])
    expect(
      why({ drives: { lots: [{ count: 4, sizeTB: 8 }], layout: 'dedicated-1' } }, 'storage'),
    ).toEqual(['layout'])
    expect(
      why(
        {
          drives: {
            lots: [
              { count: 2, sizeTB: 8 },
              { count: 1, sizeTB: 4 },
            ],
            layout: 'rotating-1',
          },
        },
        'storage',
      ),
    ).toEqual(['mixedSizes'])
    const counted: PlanInput['system'] = {
      kind: 'barn',
      ownKinds: [{ id: 'barn', like: 'stick', upToDrives: 6 }],
    }
    const drives = (count: number) => ({ lots: [{ count, sizeTB: 8 }], layout: 'dedicated-1' })
    expect(why({ drives: drives(7), system: counted }, 'barn')).toEqual(['licence'])
    expect(why({ drives: drives(6), system: counted }, 'barn')).toEqual([])
    // The system's own disk is plugged in as well; a stick does not count.
    const machine = (ref: string) => ({ base: 'towpath', parts: [{ ref }] })
    expect(
      why({ drives: drives(6), system: counted, machine: machine('flint-250') }, 'barn'),
    ).toEqual(['licence'])
    expect(
      why({ drives: drives(6), system: counted, machine: machine('flint-stick') }, 'barn'),
    ).toEqual([])
    expect(why({ drives: drives(30) }, 'stick')).toEqual([])
    expect(why({ network: { serverLink: 'wifi' } }, 'storage')).toEqual(['wifi'])
    expect(why({ machine: { base: 'towpath', parts: [{ ref: 'splice-8' }] } }, 'desktop')).toEqual([
      'cards',
    ])
    expect(why({ system: { skillAtMost: 3 } }, 'server')).toEqual(['skill'])
    expect(why({ system: { skillAtMost: 4 } }, 'server')).toEqual([])
    expect(
      why(
        { system: { wantsContainers: true, wantsGuests: true, wantsSnapshots: true } },
        'desktop',
      ),
    ).toEqual(['containers', 'guests', 'snapshots'])
    expect(why({ system: { wantsReadable: true, growsByOne: true } }, 'storage')).toEqual([
      'readable',
      'growsByOne',
    ])
    for (const { refusals } of rowsOf({
      system: { skillAtMost: 1, wantsReadable: true },
      network: { serverLink: 'wifi' },
    }))
      for (const refusal of refusals) expect(refusalReason(refusal)).toMatch(/^its? /)
  })
})

describe('services', () => {
  const service = (more: object) =>
    planSchema.parse({ name: 'x', system: { services: [more] } }).system.services[0]!
  it(
    'on the host take their own memory, in a container a little more, in a guest a gigabyte ' +
      'and a half',
    () => {
      expect([
        serviceMemoryGB({ on: 'host', memoryGB: 1 }),
        serviceMemoryGB({ on: 'container', memoryGB: 1 }),
        serviceMemoryGB({ on: 'guest', memoryGB: 1 }),
      ]).toEqual([1, 1.05, 2.5])
    },
  )
  it(
    'clash where two listen on one port, but not with a guest, which has an address of its ' +
      'own',
    () => {
      const sums = serviceSums([
        service({ name: 'A', ports: '8080, 443' }),
        service({ name: 'B', ports: '443', on: 'host' }),
        service({ name: 'C', ports: '443', on: 'guest' }),
        service({ name: 'D', ports: 'web', load: 0.5 }),
      ])
      expect(sums.clashes).toEqual([{ port: 443, services: ['A', 'B'] }])
      expect(sums.warnings).toEqual([{ code: 'portText', service: 'D' }])
      expect([sums.load, portsOf('0'), portsOf('65535 1'), portsOf('65536'), portsOf('')]).toEqual([
        0.5,
        null,
        [65_535, 1],
        null,
        [],
      ])
    },
  )
  it(
    'share a container with their like only, and from away never write to what is ' +
      'irreplaceable',
    () => {
      const sums = serviceSums([
        service({ name: 'A', reach: 'away' }),
        service({ name: 'B', reach: 'away' }),
        service({ name: 'C' }),
        service({ name: 'D', reach: 'away', loss: 'irreplaceable' }),
      ])
      expect(sums.groups.map(({ services }) => services)).toEqual([['A', 'B'], ['C'], ['D']])
      expect(sums.warnings).toEqual([{ code: 'awayWritesIrreplaceable', service: 'D' }])
    },
  )
  it('their memory counts in the machine, and their load in what it converts', () => {
    const figures = (services: object[]) =>
      assess(
        planSchema.parse({
          name: 'x',
          machine: {
            base: 'towpath',
            engine: 'none',
            parts: [{ ref: 'leat-17' }, { ref: 'memory-16' }],
          },
          system: { services },
        }),
        catalogue,
      ).figures
    expect(
      figures([{ memoryGB: 2 }])['machine.memoryFloorGB']!.value! -
        figures([])['machine.memoryFloorGB']!.value!,
    ).toBeCloseTo(2.05, 9)
    expect(
      figures([])['streams.softwareReference']!.value! -
        figures([{ load: 0.5 }])['streams.softwareReference']!.value!,
    ).toBeCloseTo(0.5, 9)
    expect(figures([{ load: 50 }])['streams.softwareReference']!.value).toBe(0)
  })
  it('are told of where their system asks the internet when it starts', () => {
    const told = (ownKinds: object[], kind = 'own-1') =>
      assess(
        planSchema.parse({ name: 'x', system: { kind, ownKinds } }),
        catalogue,
      ).findings.filter(({ code }) => code === 'STARTS_ONLINE')
    const own = { id: 'own-1', label: 'Rented system' }
    expect(told([{ ...own, startsOffline: false }])).toMatchObject([
      {
        severity: 'warning',
        sentence:
          'Rented system asks the internet when it starts: after a power cut with the line down ' +
          'nothing plays.',
      },
    ])
    expect(told([own])).toEqual([])
    // Another system is chosen, or none that is known.
    expect(told([{ ...own, startsOffline: false }], 'server')).toEqual([])
    expect(told([], 'gone')).toEqual([])
    for (const { startsOffline } of systemKinds) expect(startsOffline).toBe(true)
  })
  it('take a gigabyte to two more as a guest, which the memory needed says', () => {
    const needed = (on: 'guest' | 'container', count: number) => {
      const { low, value, high } = assess(
        planSchema.parse({
          name: 'x',
          system: {
            services: Array.from({ length: count }, (_, at) => ({
              name: `s${at}`,
              on,
              memoryGB: 1,
            })),
          },
        }),
        catalogue,
      ).figures['machine.memoryFloorGB']!
      return [value! - low!, high! - value!]
    }
    const more = (count: number) =>
      needed('guest', count).map(
        (width, side) => width ** 2 - needed('container', count)[side]! ** 2,
      )
    // Guests err together: half a gigabyte each, either way, beside what else is uncertain.
    for (const count of [1, 3])
      for (const square of more(count)) expect(Math.sqrt(square)).toBeCloseTo(0.5 * count, 6)
  })
  it('are reached by media software for those who choose by pictures, by SMB for plain folders', () => {
    const none = { backups: [] as string[] }
    expect(protocolsFor([], [])).toEqual({ media: true, shares: 'none', ...none })
    expect(protocolsFor([{ chooses: 'folders' }], [])).toEqual({
      media: false,
      shares: 'smb',
      ...none,
    })
    expect(protocolsFor([{ chooses: 'folders' }, { chooses: 'phone' }], [])).toEqual({
      media: true,
      shares: 'smb',
      ...none,
    })
  })
  it('get a share for each computer that is backed up', () => {
    const arrivals = [
      { name: 'Study', source: 'backups' as const, gbPerDay: 2 },
      { name: '', source: 'backups' as const, gbPerDay: 1 },
      { name: 'Idle', source: 'backups' as const, gbPerDay: 0 },
      { name: 'Phones', source: 'phones' as const, gbPerDay: 4 },
    ]
    expect(protocolsFor([{ chooses: 'pictures' }], arrivals)).toEqual({
      media: true,
      shares: 'smb',
      backups: ['Study', 'Backups of computers'],
    })
    expect(protocolsFor([], arrivals.slice(2)).shares).toBe('none')
  })
})
