import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'

/** The one row that holds the hash of the passphrase, once there is one. */
export class PassphraseRow extends Model<
  InferAttributes<PassphraseRow>,
  InferCreationAttributes<PassphraseRow>
> {
  declare id: number
  declare hash: string
}

/** A browser that has signed in. */
export class SessionRow extends Model<
  InferAttributes<SessionRow>,
  InferCreationAttributes<SessionRow>
> {
  declare tokenHash: string
  declare expiresAt: Date
}

/** A link of a plan; of each kind there is one at most. */
export abstract class PlanLinkRow extends Model<
  InferAttributes<PlanLinkRow>,
  InferCreationAttributes<PlanLinkRow>
> {
  declare planId: string
  declare tokenHash: string
  declare createdAt: CreationOptional<Date>
}
class ReaderLinkRow extends PlanLinkRow {}
class RunBookLinkRow extends PlanLinkRow {}

const linkColumns = () => ({
  planId: { type: DataTypes.STRING(36), primaryKey: true },
  tokenHash: DataTypes.STRING(64),
  createdAt: DataTypes.DATE,
})

export function defineAccessRows(sequelize: Sequelize) {
  const common = { sequelize, timestamps: false }
  return {
    passphrases: PassphraseRow.init(
      { id: { type: DataTypes.INTEGER, primaryKey: true }, hash: DataTypes.STRING(300) },
      { ...common, tableName: 'passphrase' },
    ),
    sessions: SessionRow.init(
      { tokenHash: { type: DataTypes.STRING(64), primaryKey: true }, expiresAt: DataTypes.DATE },
      { ...common, tableName: 'sessions' },
    ),
    readerLinks: ReaderLinkRow.init(linkColumns(), { ...common, tableName: 'readerLinks' }),
    runBookLinks: RunBookLinkRow.init(linkColumns(), { ...common, tableName: 'runBookLinks' }),
  }
}
