import { randomUUID } from 'node:crypto'
import { Op, type Sequelize } from 'sequelize'
import type { Plan } from '~~/core/plan/planSchema'
import { readPlanText } from '~~/core/plan/readPlan'
import type { PlanEntry, PlanPage, StoredPlan, UnreadablePlan } from '~~/core/plan/storedPlan'
import { definePlanRow, type PlanRow } from '../models/planRow'
import { cursorOf, readCursor } from './planCursor'

/** Most plans on a page of the list, and as many as are given unless fewer are asked for. */
export const maxOnPage = 1000

export interface PlanRepository {
  /** a page of the list, last saved first; an unknown `after` begins at the start */
  readonly list: (page?: { readonly limit?: number; readonly after?: string }) => Promise<PlanPage>
  /** null when there is none, or it was deleted */
  readonly get: (id: string) => Promise<StoredPlan | UnreadablePlan | null>
  readonly create: (plan: Plan) => Promise<StoredPlan>
  /** 'stale' when the stored version is another; nothing is written then */
  readonly update: (
    id: string,
    version: number,
    plan: Plan,
  ) => Promise<StoredPlan | 'missing' | 'stale'>
  /** false when there is none; a deleted plan can be restored until it is purged */
  readonly remove: (id: string) => Promise<boolean>
  readonly restore: (id: string) => Promise<StoredPlan | UnreadablePlan | null>
  /**
   * puts a plan away, or takes it out again; false when there is none. Neither counts as a save.
   */
  readonly archive: (id: string, archived: boolean) => Promise<boolean>
  /** ends plans deleted before a day */
  readonly purgeDeletedBefore: (day: Date) => Promise<number>
  readonly count: () => Promise<number>
}

const listed = ['id', 'name', 'version', 'createdAt', 'updatedAt', 'archivedAt'] as const

/**
 * A row's time; a row that somebody else's hand spoiled has none, and counts as the first of all.
 */
function timeOf(date: Date): string {
  return new Date(Number.isFinite(Number(date)) ? date : 0).toISOString()
}

function entryOf(row: PlanRow): PlanEntry {
  return {
    id: row.id,
    name: row.name,
    version: row.version,
    createdAt: timeOf(row.createdAt),
    updatedAt: timeOf(row.updatedAt),
    archived: Boolean(row.archivedAt),
  }
}

function storedOf(row: PlanRow, plan: Plan): StoredPlan {
  const { id, version, createdAt, updatedAt } = entryOf(row)
  return { id, version, createdAt, updatedAt, plan }
}

function readRow(row: PlanRow): StoredPlan | UnreadablePlan {
  const raw = String(row.document)
  const read = readPlanText(raw)
  return read.ok
    ? storedOf(row, read.plan)
    : { id: row.id, name: row.name, raw, issues: read.issues }
}

/** Plans in, plans out; no database object leaves. */
export function planRepository(sequelize: Sequelize): PlanRepository {
  const rows = definePlanRow(sequelize)
  const present = (id: string) => rows.findOne({ where: { id, deletedAt: null } })
  const columns = (plan: Plan) => ({ name: plan.name, document: JSON.stringify(plan) })
  return {
    async list({ limit = maxOnPage, after = '' } = {}) {
      const before = readCursor(after)
      const found = await rows.findAll({
        attributes: [...listed],
        where: {
          deletedAt: null,
          ...(before
            ? {
                [Op.or]: [
                  { updatedAt: { [Op.lt]: before.updatedAt } },
                  { updatedAt: before.updatedAt, id: { [Op.gt]: before.id } },
                ],
              }
            : {}),
        },
        order: [
          ['updatedAt', 'DESC'],
          ['id', 'ASC'],
        ],
        limit: limit + 1,
      })
      const plans = found.slice(0, limit).map(entryOf)
      return { plans, next: found.length > limit ? cursorOf(plans.at(-1)!) : null }
    },
    async get(id) {
      const row = await present(id)
      return row && readRow(row)
    },
    async create(plan) {
      return storedOf(
        await rows.create({ id: randomUUID(), version: 1, deletedAt: null, ...columns(plan) }),
        plan,
      )
    },
    async update(id, version, plan) {
      const [changed] = await rows.update(
        { ...columns(plan), version: version + 1 },
        { where: { id, version, deletedAt: null } },
      )
      const row = await rows.findOne({ attributes: [...listed], where: { id, deletedAt: null } })
      if (!row) return 'missing'
      return changed === 1 ? { ...storedOf(row, plan), version: version + 1 } : 'stale'
    },
    async remove(id) {
      const [changed] = await rows.update(
        { deletedAt: new Date() },
        { where: { id, deletedAt: null } },
      )
      return changed === 1
    },
    async archive(id, archived) {
      const [changed] = await rows.update(
        { archivedAt: archived ? new Date() : null },
        { where: { id, deletedAt: null }, silent: true },
      )
      return changed === 1
    },
    async restore(id) {
      await rows.update({ deletedAt: null }, { where: { id, deletedAt: { [Op.ne]: null } } })
      const row = await present(id)
      return row && readRow(row)
    },
    purgeDeletedBefore: day => rows.destroy({ where: { deletedAt: { [Op.lt]: day } } }),
    count: () => rows.count({ where: { deletedAt: null } }),
  }
}
