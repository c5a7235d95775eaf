import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'

/** One stored plan; the document is JSON text. */
export class PlanRow extends Model<InferAttributes<PlanRow>, InferCreationAttributes<PlanRow>> {
  declare id: string
  declare name: string
  declare document: string
  declare version: number
  declare createdAt: CreationOptional<Date>
  declare updatedAt: CreationOptional<Date>
  declare deletedAt: CreationOptional<Date | null>
  declare archivedAt: CreationOptional<Date | null>
}

export function definePlanRow(sequelize: Sequelize): typeof PlanRow {
  return PlanRow.init(
    {
      id: { type: DataTypes.STRING(36), primaryKey: true },
      name: { type: DataTypes.STRING(80), allowNull: false },
      document: { type: DataTypes.TEXT, allowNull: false },
      version: { type: DataTypes.INTEGER, allowNull: false },
      createdAt: DataTypes.DATE,
      updatedAt: DataTypes.DATE,
      deletedAt: DataTypes.DATE,
      archivedAt: DataTypes.DATE,
    },
    { sequelize, tableName: 'plans' },
  )
}
