import { Op, type ModelStatic, type Sequelize } from 'sequelize'
import type { PlanLinkKind } from '~~/core/plan/sessionState'
import { defineAccessRows, type PlanLinkRow } from '../models/accessRows'

/** The links of one kind. */
export interface PlanLinks {
  /** when the link of a plan was made; null when there is none */
  readonly madeAt: (planId: string) => Promise<Date | null>
  /** makes the link of a plan; one made before ends */
  readonly set: (planId: string, tokenHash: string) => Promise<void>
  /** false when there was none */
  readonly remove: (planId: string) => Promise<boolean>
  /** id of the plan that a link leads to; null when there is no such link */
  readonly planOf: (tokenHash: string) => Promise<string | null>
}

/**
 * Who may come in. Tokens are known by their hashes only: who reads the file cannot come in with
 * what is in it.
 */
export interface AccessRepository {
  /** hash of the passphrase; null while none is set */
  readonly passphrase: () => Promise<string | null>
  /** sets it and ends all sessions, which came in by the one before */
  readonly setPassphrase: (hash: string) => Promise<void>
  /** sets the first one; false when there is one already, and then nothing is changed */
  readonly setFirstPassphrase: (hash: string) => Promise<boolean>
  /** opens a session, and forgets those that have expired */
  readonly openSession: (tokenHash: string, expiresAt: Date) => Promise<void>
  readonly hasSession: (tokenHash: string) => Promise<boolean>
  readonly endSession: (tokenHash: string) => Promise<void>
  readonly endAllSessions: () => Promise<void>
  readonly links: Readonly<Record<PlanLinkKind, PlanLinks>>
}

const onlyRow = 1

function planLinks(rows: ModelStatic<PlanLinkRow>): PlanLinks {
  return {
    async madeAt(planId) {
      return (await rows.findByPk(planId))?.createdAt ?? null
    },
    async set(planId, tokenHash) {
      await rows.upsert({ planId, tokenHash, createdAt: new Date() })
    },
    async remove(planId) {
      return (await rows.destroy({ where: { planId } })) === 1
    },
    async planOf(tokenHash) {
      return (await rows.findOne({ where: { tokenHash } }))?.planId ?? null
    },
  }
}

export function accessRepository(sequelize: Sequelize): AccessRepository {
  const { passphrases, sessions, readerLinks, runBookLinks } = defineAccessRows(sequelize)
  return {
    async passphrase() {
      return (await passphrases.findByPk(onlyRow))?.hash ?? null
    },
    async setPassphrase(hash) {
      await passphrases.upsert({ id: onlyRow, hash })
      await sessions.destroy({ where: {} })
    },
    async setFirstPassphrase(hash) {
      await passphrases.bulkCreate([{ id: onlyRow, hash }], { ignoreDuplicates: true })
      return (await passphrases.findByPk(onlyRow))?.hash === hash
    },
    async openSession(tokenHash, expiresAt) {
      await sessions.destroy({ where: { expiresAt: { [Op.lte]: new Date() } } })
      await sessions.create({ tokenHash, expiresAt })
    },
    async hasSession(tokenHash) {
      return (
        (await sessions.count({ where: { tokenHash, expiresAt: { [Op.gt]: new Date() } } })) === 1
      )
    },
    async endSession(tokenHash) {
      await sessions.destroy({ where: { tokenHash } })
    },
    async endAllSessions() {
      await sessions.destroy({ where: {} })
    },
    links: { reader: planLinks(readerLinks), runBook: planLinks(runBookLinks) },
  }
}
