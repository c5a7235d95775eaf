import { DataTypes, type QueryInterface } from 'sequelize'

export async function up(query: QueryInterface): Promise<void> {
  await query.createTable('plans', {
    id: { type: DataTypes.STRING(36), primaryKey: true, allowNull: false },
    name: { type: DataTypes.STRING(80), allowNull: false },
    document: { type: DataTypes.TEXT, allowNull: false },
    version: { type: DataTypes.INTEGER, allowNull: false },
    createdAt: { type: DataTypes.DATE, allowNull: false },
    updatedAt: { type: DataTypes.DATE, allowNull: false },
    deletedAt: { type: DataTypes.DATE, allowNull: true },
  })
  await query.addIndex('plans', ['deletedAt', 'updatedAt'])
}

export async function down(query: QueryInterface): Promise<void> {
  await query.dropTable('plans')
}
