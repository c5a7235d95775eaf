import { randomUUID } from 'node:crypto'
import { Op, type Sequelize } from 'sequelize'
import type { Plan } from '~~/core/plan/planSchema'
import { readPlanText } from '~~/core/plan/readPlan'
import type { PlanEntry, StoredPlan } from '~~/core/plan/storedPlan'
import { definePlanRow, type PlanRow } from '../models/planRow'

export interface PlanRepository {
  readonly list: () => Promise<PlanEntry[]>
  /** null when there is none, or it was deleted */
  readonly get: (id: string) => Promise<StoredPlan | null>
  readonly create: (plan: Plan) => Promise<StoredPlan>
  /** 'stale' when the stored version is another; nothing is written then */
  readonly update: (id: string, version: number, plan: Plan) => Promise<StoredPlan | 'missing' | 'stale'>
  /** false when there is none; a deleted plan can be restored until it is purged */
  readonly remove: (id: string) => Promise<boolean>
  readonly restore: (id: string) => Promise<StoredPlan | null>
  /** puts a plan away, or takes it out again; false when there is none. Neither counts as a save. */
  readonly archive: (id: string, archived: boolean) => Promise<boolean>
  /** ends plans deleted before a day */
  readonly purgeDeletedBefore: (day: Date) => Promise<number>
  readonly count: () => Promise<number>
}

function entryOf(row: PlanRow): PlanEntry {
  return { id: row.id, name: row.name, version: row.version, createdAt: row.createdAt.toISOString(), updatedAt: row.updatedAt.toISOString(), archived: Boolean(row.archivedAt) }
}

function storedOf(row: PlanRow): StoredPlan {
  const read = readPlanText(row.document)
  if (!read.ok) throw new Error(`stored plan ${row.id} cannot be read: ${JSON.stringify(read.issues)}`)
  const { id, version, createdAt, updatedAt } = entryOf(row)
  return { id, version, createdAt, updatedAt, plan: read.plan }
}

/** Plans in, plans out; no database object leaves. */
export function planRepository(sequelize: Sequelize): PlanRepository {
  const rows = definePlanRow(sequelize)
  const present = (id: string) => rows.findOne({ where: { id, deletedAt: null } })
  const columns = (plan: Plan) => ({ name: plan.name, document: JSON.stringify(plan) })
  return {
    async list() {
      const found = await rows.findAll({
        attributes: ['id', 'name', 'version', 'createdAt', 'updatedAt', 'archivedAt'],
        where: { deletedAt: null },
        order: [['updatedAt', 'DESC'], ['id', 'ASC']],
      })
      return found.map(entryOf)
    },
    async get(id) {
      const row = await present(id)
      return row && storedOf(row)
    },
    async create(plan) {
      return storedOf(await rows.create({ id: randomUUID(), version: 1, deletedAt: null, ...columns(plan) }))
    },
    async update(id, version, plan) {
      const [changed] = await rows.update({ ...columns(plan), version: version + 1 }, { where: { id, version, deletedAt: null } })
      const row = await present(id)
      if (!row) return 'missing'
      return changed === 1 ? { ...storedOf(row), version: version + 1, plan } : 'stale'
    },
    async remove(id) {
      const [changed] = await rows.update({ deletedAt: new Date() }, { where: { id, deletedAt: null } })
      return changed === 1
    },
    async archive(id, archived) {
      const [changed] = await rows.update({ archivedAt: archived ? new Date() : null }, { where: { id, deletedAt: null }, silent: true })
      return changed === 1
    },
    async restore(id) {
      await rows.update({ deletedAt: null }, { where: { id, deletedAt: { [Op.ne]: null } } })
      const row = await present(id)
      return row && storedOf(row)
    },
    purgeDeletedBefore: day => rows.destroy({ where: { deletedAt: { [Op.lt]: day } } }),
    count: () => rows.count({ where: { deletedAt: null } }),
  }
}
