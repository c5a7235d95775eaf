import { spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { smbConf } from '../core/commissioning/access/smbConf'
import { proposedAccess } from '../core/commissioning/access/proposedAccess'
import { tideMillHouse } from '../core/catalogue/tideMillHouse'
import type { Access, Account, Right, Share } from '../core/plan/access'
import { planSchema } from '../core/plan/planSchema'
import { drawFrom } from './plans/drawPlan'
import { rightBy, sectionsOf } from './smbMeaning'

const reader = '/usr/bin/testparm'

/** The settings as the reader of file sharing itself understands them. */
function readByOther(text: string): string {
  const folder = mkdtempSync(join(tmpdir(), 'numeron-smb-'))
  const file = join(folder, 'smb.conf')
  writeFileSync(file, `[global]\nserver min protocol = SMB3\nmap to guest = Bad User\n${text}`)
  const { stdout, stderr, status } = spawnSync(reader, ['-s', file], { encoding: 'utf8' })
  rmSync(folder, { recursive: true })
  expect(status, stderr).toBe(0)
  expect(stderr).not.toMatch(/unknown parameter|ignoring|error|global parameter/i)
  return stdout
}

/** Slow definition of the right of an account: its own cell, else the highest of its groups. */
function meant({ rights, groups }: Access, share: Share, account: Account): Right {
  const order: Right[] = ['none', 'read', 'write']
  const own = rights.filter(entry => entry.share === share.id && entry.who === account.id)
  if (own.length > 0) return own.at(-1)!.right
  let best = 0
  for (const group of account.groups)
    if (groups.some(({ id }) => id === group))
      for (const entry of rights)
        if (entry.share === share.id && entry.who === `@${group}`)
          best = Math.max(best, order.indexOf(entry.right))
  return order[best]!
}

function drawAccess(seed: number): Access {
  const { below, chance, pick } = drawFrom(seed)
  const base = proposedAccess(
    planSchema.parse({
      ...tideMillHouse,
      library: {
        holdings: [
          ...tideMillHouse.library!.holdings!,
          { kind: 'computerBackups', sizeGB: 400 },
          { kind: 'projects', sizeGB: 20 },
        ],
      },
    }),
  )
  const accounts = base.accounts.map(account => ({
    ...account,
    owner: account.kind === 'computer' ? pick(['maren', 'joost', '']) : '',
    groups: ['household', 'guests', 'cellar'].filter(() => chance(0.4)),
  }))
  const shares = base.shares
    .filter(() => chance(0.8))
    .map(share => ({
      ...share,
      quotaGB: chance(0.3) ? 1 + below(900) : null,
      protocol: pick(['smb', 'smb', 'smb', 'nfs'] as const),
    }))
  const whos = [
    ...accounts.map(({ id }) => id),
    ...['household', 'guests', 'cellar'].map(id => `@${id}`),
  ]
  const rights = shares.flatMap(({ id }) =>
    whos
      .filter(() => chance(0.4))
      .map(who => ({ share: id, who, right: pick(['none', 'read', 'write'] as const) })),
  )
  return {
    accounts,
    groups: [...base.groups, { id: 'cellar' }],
    shares,
    rights,
    guestsBring: chance(0.5),
  }
}

/** Every right of a matrix against what the settings mean; how many were looked at. */
function compare(access: Access, sections: Map<string, Map<string, string>>): number {
  let looked = 0
  for (const share of access.shares.filter(({ protocol }) => protocol === 'smb'))
    for (const account of access.accounts.filter(({ kind }) => kind !== 'service')) {
      const wanted = meant(access, share, account)
      if (share.folders === 'one') {
        const section = sections.get(share.id)
        const guests = access.rights.findLast(
          ({ who, share: id }) => who === '@guests' && id === share.id,
        )?.right
        const isOpen = guests === 'read' || guests === 'write'
        const has = section ? rightBy(section, account) : 'none'
        // Whatever guests may do is open to whoever comes without a name as well.
        expect([share.id, account.id, has]).toEqual([share.id, account.id, wanted])
        if (section) {
          expect(/^yes$/i.test(section.get('guest ok') ?? 'no')).toBe(isOpen)
          expect(section.get('path')).toBe(share.path)
        }
        looked++
        continue
      }
      const kind = share.folders === 'people' ? 'person' : 'computer'
      for (const other of access.accounts.filter(one => one.kind === kind)) {
        const section = sections.get(other.id)
        const isThere = meant(access, share, other) !== 'none'
        expect(section !== undefined && section.get('path') === `${share.path}/${other.id}`).toBe(
          isThere,
        )
        if (!section || !isThere) continue
        const isOwn = other.id === account.id
        const isOwner = share.folders === 'computers' && other.owner === account.id
        const may: Right = isOwn ? wanted : isOwner && wanted !== 'none' ? 'read' : 'none'
        expect([other.id, account.id, rightBy(section, account)]).toEqual([
          other.id,
          account.id,
          may,
        ])
        looked++
      }
    }
  return looked
}

describe('settings of SMB file sharing', () => {
  it('stand in their order, with what belongs into the global part above', () => {
    const text = smbConf(proposedAccess(planSchema.parse(tideMillHouse)))
    expect(text).toContain('#    server min protocol = SMB3\n#    map to guest = Bad User\n')
    expect(text).toContain(
      [
        '[photos]',
        '   path = /pool/photos',
        '   comment = Irreplaceable',
        '   browseable = yes',
        '   guest ok = no',
        '   read only = yes',
        '   valid users = @household',
        '   write list = maren joost ilse',
        '   force group = household',
        '   create mask = 0660',
        '   directory mask = 2770',
      ].join('\n'),
    )
    expect(text).toContain(
      [
        '[pim]',
        '   path = /pool/people/pim',
        '   comment = Private',
        '   browseable = no',
        '   guest ok = no',
        '   read only = yes',
        '   valid users = pim',
        '   write list = pim',
        '   create mask = 0600',
        '   directory mask = 0700',
      ].join('\n'),
    )
    expect(text).not.toContain('[people]')
    expect(text).not.toMatch(/password/i)
  })
  it('mean the matrix, for matrices at random', () => {
    let looked = 0
    for (let seed = 1; seed <= 150; seed++) {
      const access = drawAccess(seed)
      looked += compare(access, sectionsOf(smbConf(access)))
    }
    expect(looked).toBeGreaterThan(5000)
  })
  it('keep whoever brings files out of the group that reads them', () => {
    const access = proposedAccess(planSchema.parse(tideMillHouse))
    const text = smbConf({
      ...access,
      guestsBring: true,
      rights: [...access.rights, { share: 'inbox', who: '@guests', right: 'write' }],
    })
    const inbox = sectionsOf(text).get('inbox')!
    expect(inbox.get('guest ok')).toBe('yes')
    expect(inbox.get('read only')).toBe('no')
    expect(inbox.has('force group')).toBe(false)
    expect(text).toContain('# Guests put files in and see none: chmod 3773 /pool/inbox')
  })
  it.skipIf(!existsSync(reader))('mean the same to the reader of file sharing itself', () => {
    for (let seed = 200; seed < 212; seed++) {
      const access = drawAccess(seed)
      const text = smbConf(access)
      const other = sectionsOf(readByOther(text))
      other.delete('global')
      expect([...other.keys()].sort()).toEqual([...sectionsOf(text).keys()].sort())
      compare(access, other)
    }
  })
})
