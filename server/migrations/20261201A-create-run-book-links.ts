import { DataTypes, type QueryInterface } from 'sequelize'

export async function up(query: QueryInterface): Promise<void> {
  await query.createTable('runBookLinks', {
    planId: {
      type: DataTypes.STRING(36),
      primaryKey: true,
      allowNull: false,
      references: { model: 'plans', key: 'id' },
      onDelete: 'CASCADE',
    },
    tokenHash: { type: DataTypes.STRING(64), allowNull: false, unique: true },
    createdAt: { type: DataTypes.DATE, allowNull: false },
  })
}

export async function down(query: QueryInterface): Promise<void> {
  await query.dropTable('runBookLinks')
}
