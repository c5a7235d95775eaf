import { DataTypes, type QueryInterface } from 'sequelize'

export async function up(query: QueryInterface): Promise<void> {
  await query.addColumn('plans', 'archivedAt', { type: DataTypes.DATE, allowNull: true })
}

export async function down(query: QueryInterface): Promise<void> {
  await query.removeColumn('plans', 'archivedAt')
}
