import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tideMillHouse } from '../../catalogue/tideMillHouse'
import type { Access, Right } from '../../plan/access'
import { planSchema, type PlanInput } from '../../plan/planSchema'
import { accessCsv } from './accessCsv'
import { accessFindings } from './accessRules'
import { accessContext, withAccount, withRight, withShare } from './accessRule'
import { accountName } from './accountNames'
import { nfsExports } from './nfsExports'
import { accessOf, proposedAccess } from './proposedAccess'
import { rightCells } from './rightOf'
import { testList, testMark, trialWords } from './testList'

const plan = (input: Partial<PlanInput> = {}) => planSchema.parse({ ...tideMillHouse, ...input })
const demo = plan()
const found = (access: Access, of = demo, snapshots: boolean | null = true) =>
  accessFindings(accessContext(of, access, snapshots))
const rulesOf = (...args: Parameters<typeof found>) => found(...args).map(({ rule }) => rule.id)
const right = (access: Access, share: string, who: string): Right => {
  const account = access.accounts.find(({ id }) => id === who)!
  return rightCells(access).of({ id: share }, account)
}

describe('names of accounts', () => {
  const named = (name: string, taken: string[] = [], whole = false) =>
    accountName(name, new Set(taken), { otherwise: 'viewer', whole })
  it.each([
    ['Maren', 'maren'],
    ['Thea, at sea', 'thea'],
    ['Zoë', 'zoe'],
    ['Øyvind', 'oyvind'],
    ['4 Aces', 'aces'],
    ['root', 'root2'],
    ['日本', 'viewer'],
    ['', 'viewer'],
    ['abcdefghijklmnopqrstuvwxyz', 'abcdefghijklmnopqrst'],
  ])('%s is %s', (name, expected) => {
    expect(named(name)).toBe(expected)
  })
  it('gives two people of one name a number, within twenty letters', () => {
    expect(named('Pim', ['pim'])).toBe('pim2')
    expect(named('Pim', ['pim', 'pim2'])).toBe('pim3')
    expect(named('abcdefghijklmnopqrst', ['abcdefghijklmnopqrst'])).toBe('abcdefghijklmnopqrs2')
    expect(named('Pictures from phones', [], true)).toBe('pictures-from-phones')
    // What is cut at a hyphen does not end in one.
    expect(named('abcdefghijklmnopqrs tuv', [], true)).toBe('abcdefghijklmnopqrs')
    expect(named('Notebook of the house', [], true)).toBe('notebook-of-the')
    expect(named('Abc defghijklmnopqrstuvw', [], true)).toBe('abc-defghijklmnopqrs')
  })
  it('are always such as are allowed, and new', () => {
    fc.assert(
      fc.property(fc.array(fc.string({ unit: 'grapheme' }), { maxLength: 30 }), names => {
        const taken = new Set<string>()
        for (const name of names) {
          const id = accountName(name, taken, { otherwise: 'viewer' })
          expect(id).toMatch(/^[a-z][a-z0-9_-]{0,19}$/)
          expect(taken.has(id)).toBe(false)
          taken.add(id)
        }
      }),
    )
  })
})

describe('the matrix that a plan asks for', () => {
  const access = proposedAccess(demo)
  it('has an account a person, the media software and each service', () => {
    expect(access.accounts.map(({ id, kind }) => `${kind} ${id}`)).toEqual([
      'person maren',
      'person joost',
      'person ilse',
      'person pim',
      'person workshop',
      'person thea',
      'person grandfather',
      'service media-software',
      'service pictures-from-phones',
      'service notebook-of-the',
    ])
    const own = plan({
      system: { services: [{ name: 'Media software', usesEngine: true, loss: 'nothing' }] },
    })
    expect(proposedAccess(own).accounts.filter(({ kind }) => kind === 'service')).toHaveLength(1)
    const folders = plan({
      household: { viewers: [{ id: 'a', name: 'Ada', chooses: 'folders' }] },
      system: {},
    })
    expect(proposedAccess(folders).accounts.map(({ id }) => id)).toEqual(['ada'])
  })
  it('lets everybody read, three write what is kept together, and one what is watched', () => {
    const shares = ['films', 'series', 'music', 'photos', 'own-video', 'household']
    for (const share of shares) {
      const kept = ['photos', 'own-video', 'household'].includes(share)
      expect(
        ['maren', 'joost', 'ilse', 'pim', 'grandfather'].map(who => right(access, share, who)),
      ).toEqual(
        kept
          ? ['write', 'write', 'write', 'read', 'read']
          : ['write', 'read', 'read', 'read', 'read'],
      )
    }
    expect(right(access, 'people', 'pim')).toBe('write')
    expect(right(access, 'inbox', 'pim')).toBe('write')
    expect(right(access, 'photos', 'media-software')).toBe('read')
    expect(right(access, 'inbox', 'media-software')).toBe('none')
    expect(right(access, 'inbox', 'pictures-from-phones')).toBe('write')
    expect(right(access, 'photos', 'pictures-from-phones')).toBe('none')
  })
  it('gives backups of computers twice their size, and to each the owner who uses it most', () => {
    const backed = plan({
      library: { holdings: [{ kind: 'computerBackups', name: 'Backups', sizeGB: 301 }] },
      household: {
        viewers: [
          { id: 'v1', name: 'Ada' },
          { id: 'v2', name: 'Ada' },
        ],
        devices: [
          { id: 'd1', name: 'Desk', class: 'browser' },
          { id: 'd2', name: 'Lap', class: 'browser' },
          { id: 'd3', name: 'Wall', class: 'tv2020' },
        ],
        habits: [
          { viewer: 'v1', device: 'd1' },
          { viewer: 'v2', device: 'd1' },
          { viewer: 'v2', device: 'd1' },
        ],
      },
      system: {},
    })
    const computers = proposedAccess(backed)
    expect(computers.accounts.filter(({ kind }) => kind === 'computer')).toMatchObject([
      { id: 'desk', owner: 'ada2', of: 'd1' },
      { id: 'lap', owner: '', of: 'd2' },
    ])
    expect(computers.shares.find(({ id }) => id === 'computers')!.quotaGB).toBe(301)
    expect(right(computers, 'computers', 'desk')).toBe('write')
    expect(right(computers, 'computers', 'ada2')).toBe('read')
    expect(right(computers, 'computers', 'ada')).toBe('none')
    expect(rulesOf(computers, backed)).toEqual([])
    expect(rulesOf(computers, backed, false)).toEqual(['S4'])
  })
  it('takes the worst loss of what lies in a share', () => {
    const shareOf = (id: string, of: typeof demo) =>
      proposedAccess(of).shares.find(share => share.id === id)!
    expect(shareOf('films', demo).loss).toBe('replaceable')
    expect(shareOf('people', demo).loss).toBe('irreplaceable')
    const cut = plan({ library: { holdings: [{ kind: 'film', loss: 'irreplaceable' }] } })
    expect(shareOf('films', cut).loss).toBe('irreplaceable')
    expect(shareOf('films', cut).path).toBe('/pool/films')
  })
  it('breaks no rule', () => {
    expect(found(access)).toEqual([])
    const empty = planSchema.parse({ name: 'Empty' })
    expect(found(proposedAccess(empty), empty)).toMatchObject([
      { sentence: 'Nobody writes people. Is that meant?' },
      { sentence: 'Nobody writes household. Is that meant?' },
      { sentence: 'Nobody writes inbox. Is that meant?' },
    ])
  })
  it('stands until something is entered', () => {
    expect(accessOf(demo)).toEqual(access)
    const entered = plan({
      commissioning: { shares: [{ id: 'films', path: '/pool/films' }] },
    })
    expect(accessOf(entered).shares).toHaveLength(1)
    expect(accessOf(entered).accounts).toEqual([])
  })
})

describe('rules of who may do what', () => {
  const access = proposedAccess(demo)
  const give = (share: string, who: string, to: Right) => withRight(access, { share, who }, to)
  it('S1: guests read films, series and music, and write nowhere', () => {
    expect(rulesOf(give('photos', '@guests', 'read'))).toEqual(['S1'])
    expect(rulesOf(give('films', '@guests', 'write'))).toContain('S1')
    expect(rulesOf(give('inbox', '@guests', 'write'))).toEqual(['S1'])
    expect(rulesOf({ ...give('inbox', '@guests', 'write'), guestsBring: true })).toEqual([])
    expect(rulesOf({ ...give('inbox', '@guests', 'read'), guestsBring: true })).toEqual(['S1'])
    const visitor = withAccount(access, 'pim', { groups: ['guests'] })
    expect(rulesOf(visitor)).toEqual([])
    expect(rulesOf(withRight(visitor, { share: 'photos', who: 'pim' }, 'read'))).toEqual(['S1'])
    const both = withAccount(access, 'pim', { groups: ['guests', 'household'] })
    expect(rulesOf(both)).toEqual([])
  })
  it('S2: what is reached from away does not write what is irreplaceable', () => {
    const notebook = give('household', 'notebook-of-the', 'write')
    // It may lose what can be replaced only, by the plan: that is against S3 as well.
    expect(rulesOf(notebook)).toEqual(expect.arrayContaining(['S2', 'S3']))
    expect(rulesOf(give('inbox', 'notebook-of-the', 'write'))).toEqual([])
    expect(rulesOf(withShare(access, 'photos', { reach: 'away' }))).toEqual(['S2'])
    expect(rulesOf(withShare(access, 'films', { reach: 'away' }))).toEqual([])
    const inbox = { reach: 'away', loss: 'irreplaceable' } as const
    expect(rulesOf(withShare(access, 'inbox', inbox))).toEqual([])
  })
  it('S3: each service has an account, and writes only where it must', () => {
    expect(rulesOf(give('films', 'media-software', 'write'))).toContain('S3')
    const without = {
      ...access,
      accounts: access.accounts.filter(({ id }) => id !== 'pictures-from-phones'),
    }
    expect(found(without)).toMatchObject([
      { sentence: 'Pictures from phones has no account of its own.' },
    ])
    expect(rulesOf(found(without)[0]!.mended!(without))).toEqual([])
    // It may write what is irreplaceable: the plan says so.
    expect(rulesOf(give('people', 'pictures-from-phones', 'write'))).not.toContain('S3')
  })
  it('S5, S6: nobody watches as administrator; each share has its own folder in the pool', () => {
    expect(rulesOf(withAccount(access, 'maren', { isAdministrator: true }))).toEqual(['S5'])
    const keeper = {
      ...access.accounts[0]!,
      id: 'keeper',
      of: '',
      groups: [],
      isAdministrator: true,
    }
    expect(rulesOf({ ...access, accounts: [...access.accounts, keeper] })).toEqual([])
    const at = (path: string) => rulesOf(withShare(access, 'films', { path }))
    expect(at('/pool')).toEqual(['S6'])
    expect(at('/Pool')).toEqual(['S6'])
    expect(at('/pool/series')).toEqual(['S6'])
    expect(at('/pool/series/films')).toEqual(['S6'])
    expect(at('/pool/series-films')).toEqual([])
    expect(at('/srv/films')).toEqual(['S6'])
    const maren = {
      ...access,
      shares: [...access.shares, { ...access.shares[0]!, id: 'maren', path: '/pool/maren' }],
    }
    expect(rulesOf(withRight(maren, { share: 'maren', who: 'joost' }, 'write'))).toEqual(['S6'])
  })
  it('S7: two write what is irreplaceable besides its owner, or three in all', () => {
    expect(rulesOf(give('photos', 'pim', 'write'))).toEqual(['S7'])
    const owned = withShare(access, 'photos', { owner: 'maren' })
    expect(rulesOf(owned)).toEqual([])
    expect(rulesOf(withRight(owned, { share: 'photos', who: 'pim' }, 'write'))).toEqual(['S7'])
    const byOther = withShare(access, 'photos', { owner: 'pim' })
    expect(rulesOf(byOther)).toEqual(['S7'])
    // An owner who is not there is none.
    expect(rulesOf(withShare(access, 'photos', { owner: 'nobody' }))).toEqual([])
  })
  it('S8 asks about shares that nobody writes, and accounts that may do everything', () => {
    expect(found(give('films', 'maren', 'read'))).toMatchObject([
      { sentence: 'Nobody writes films. Is that meant?' },
    ])
    const two = proposedAccess(
      plan({ household: { viewers: [{ id: 'a', name: 'Ada' }, { id: 'b' }] }, system: {} }),
    )
    const open = {
      ...two,
      accounts: two.accounts.slice(0, 2),
      shares: two.shares.filter(({ id }) => id === 'films' || id === 'photos'),
    }
    const asked = found(open, plan({ household: { viewers: [] }, system: {} }))
    expect(asked.map(({ sentence }) => sentence)).toEqual([
      'Nothing is forbidden to Ada. Is that meant?',
    ])
  })
  it('S9: plain folders for who works with them; who chooses by pictures need not write', () => {
    expect(rulesOf(give('films', 'joost', 'write'))).toEqual(['S9', 'S9'])
    const folders = planSchema.parse({
      name: 'Two',
      household: {
        viewers: [
          { id: 'a', name: 'Ada', chooses: 'folders' },
          { id: 'b', name: 'Bo', chooses: 'folders' },
        ],
      },
    })
    const own = proposedAccess(folders)
    const closed = {
      ...withAccount(own, 'bo', { groups: [] }),
      rights: own.rights.filter(({ who }) => who !== 'bo'),
    }
    expect(found(closed, folders).map(one => one.sentence)).toContain(
      'Bo works with plain folders and may open none.',
    )
    expect(
      found({ ...own, accounts: own.accounts.slice(0, 1) }, folders).map(one => one.sentence),
    ).toContain('Bo has no account.')
  })
  it('applied one after the other, what is offered ends all that has an answer', () => {
    const anyRight = fc.constantFrom<Right[]>('none', 'read', 'write')
    const backed = plan({
      library: {
        holdings: [...tideMillHouse.library!.holdings!, { kind: 'computerBackups', sizeGB: 400 }],
      },
    })
    const base = proposedAccess(backed)
    const whos = [...base.accounts.map(({ id }) => id), ...base.groups.map(({ id }) => `@${id}`)]
    const ids = base.shares.map(({ id }) => id)
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom(...ids), fc.constantFrom(...whos), anyRight), {
          maxLength: 40,
        }),
        fc.array(
          fc.tuple(
            fc.constantFrom(...ids),
            fc.constantFrom('/pool', '/pool/films/x', '/srv/a', '/pool/photos'),
            fc.constantFrom('home' as const, 'away' as const),
          ),
          { maxLength: 3 },
        ),
        fc.boolean(),
        (entries, moved, guestsBring) => {
          let access: Access = { ...base, guestsBring }
          for (const [share, who, to] of entries) access = withRight(access, { share, who }, to)
          for (const [id, path, reach] of moved) access = withShare(access, id, { path, reach })
          for (let round = 0; round < 400; round++) {
            const next = found(access, backed).find(({ mended }) => mended !== null)
            if (!next) break
            const before = found(access, backed).length
            access = next.mended!(access)
            expect(found(access, backed).map(({ sentence }) => sentence)).not.toContain(
              next.sentence,
            )
            expect(before).toBeGreaterThan(0)
          }
          expect(found(access, backed).filter(({ mended }) => mended !== null)).toEqual([])
        },
      ),
      { numRuns: 60 },
    )
  })
})

describe('the test list', () => {
  it('names one allowed and one forbidden action, irreplaceable shares and writing first', () => {
    const tests = testList(proposedAccess(demo))
    const words = tests.map(({ who, allowed, forbidden }) => [
      who,
      allowed && trialWords(allowed),
      forbidden && trialWords(forbidden),
    ])
    expect(words).toEqual([
      ['maren', 'Write to films', 'Write to the folder of joost in people'],
      ['joost', 'Write to photos', 'Write to the folder of maren in people'],
      ['ilse', 'Write to photos', 'Write to the folder of maren in people'],
      ['pim', 'Write to the folder of pim in people', 'Write to photos'],
      ['workshop', 'Write to the folder of workshop in people', 'Write to photos'],
      ['thea', 'Write to the folder of thea in people', 'Write to photos'],
      ['grandfather', 'Write to the folder of grandfather in people', 'Write to photos'],
      ['media-software', 'Open films', 'Write to photos'],
      ['pictures-from-phones', 'Write to inbox', 'Write to photos'],
      ['notebook-of-the', null, 'Write to photos'],
      ['@guests', 'Open films', 'Write to films'],
    ])
    expect(testMark(tests[3]!)).toBe('write people/pim; not write photos')
  })
  it('asks for what the matrix says, for any matrix', () => {
    const base = proposedAccess(demo)
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.constantFrom(...base.shares.map(({ id }) => id)),
            fc.constantFrom(...base.accounts.map(({ id }) => id), '@household', '@guests'),
            fc.constantFrom<Right[]>('none', 'read', 'write'),
          ),
          { maxLength: 30 },
        ),
        entries => {
          const access = entries.reduce<Access>(
            (now, [share, who, to]) => withRight(now, { share, who }, to),
            base,
          )
          for (const { who, allowed, forbidden } of testList(access)) {
            if (who === '@guests') continue
            const has = (share: string) => right(access, share, who)
            if (allowed && (allowed.folder === null || allowed.folder === who))
              expect(has(allowed.share) === 'write' ? 'write' : 'read').toBe(
                allowed.action === 'write' ? 'write' : has(allowed.share),
              )
            // What an account may write is tried before what it may open.
            if (allowed?.action === 'read')
              expect(
                access.shares.some(({ id, folders }) => folders === 'one' && has(id) === 'write'),
              ).toBe(false)
            if (forbidden && forbidden.folder === null)
              expect(
                forbidden.action === 'write'
                  ? has(forbidden.share) !== 'write'
                  : has(forbidden.share) === 'none',
              ).toBe(true)
          }
        },
      ),
      { numRuns: 100 },
    )
  })
})

describe('exports for other programs', () => {
  it('a table with a row for each share and each who', () => {
    const rows = accessCsv(proposedAccess(demo)).trim().split('\n')
    expect(rows[0]).toBe('share,path,account,right,quotaGB,protocol,loss,reach')
    expect(rows).toHaveLength(1 + proposedAccess(demo).shares.length * (10 + 2))
    expect(rows).toContain('photos,/pool/photos,group guests,none,,smb,irreplaceable,home')
    expect(rows).toContain('photos,/pool/photos,ilse,write,,smb,irreplaceable,home')
  })
  it('lines of exports for NFS, with the network that was entered', () => {
    let access = withShare(proposedAccess(demo), 'films', { protocol: 'nfs' })
    expect(nfsExports(access, '192.0.2.0/24')).toBe(
      '/pool/films 192.0.2.0/24(rw,root_squash,no_subtree_check)\n',
    )
    access = withRight(access, { share: 'films', who: 'maren' }, 'read')
    access = withShare(access, 'films', { path: '/pool/old films #1' })
    expect(nfsExports(access, '192.0.2.0/24')).toBe(
      '/pool/old\\040films\\040\\0431 192.0.2.0/24(ro,root_squash,no_subtree_check)\n',
    )
    expect(
      nfsExports(withShare(proposedAccess(demo), 'people', { protocol: 'nfs' }), '192.0.2.0/24')
        .trim()
        .split('\n'),
    ).toHaveLength(7)
  })
})

describe('what a plan takes', () => {
  const refused = (commissioning: object) => {
    const result = planSchema.safeParse({ name: 'x', commissioning })
    return result.success ? null : result.error.issues[0]!.message
  }
  it('refuses hostile names and paths, and says what is allowed', () => {
    const share = (id: string, path = '/pool/x') => refused({ shares: [{ id, path }] })
    expect(share('films')).toBe(null)
    for (const id of ['Films', '-films', 'a/b', 'thirteen-char', '', 'x\ny'])
      expect(share(id)).toMatch(/^Share must be 1 to 12 small letters/)
    for (const id of ['global', 'homes', 'printers']) expect(share(id)).toMatch(/those names/)
    for (const path of ['pool', '/', '/pool/../etc', '/a"b', '/a\nb', '/pool/%U', '/pool/x ', '//'])
      expect(share('films', path)).toMatch(/^Folder must be a path such as/)
    expect(share('films', '/pool/old films')).toBe(null)
    for (const id of ['Maren', '1a', 'a b', 'abcdefghijklmnopqrstu'])
      expect(refused({ accounts: [{ id }] })).toMatch(/^Account must be 1 to 20 small letters/)
    expect(refused({ poolName: 'P' })).toMatch(/^Name of the pool must be 2 to 12/)
    expect(refused({ nfsNetwork: '192.0.2.0/33' })).toMatch(/^Network for NFS/)
    expect(refused({ nfsNetwork: '192.0.2.300/24' })).toMatch(/^Network for NFS/)
    expect(refused({ nfsNetwork: '192.0.2.0/24' })).toBe(null)
  })
})
