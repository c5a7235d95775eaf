import { DataTypes, type QueryInterface } from 'sequelize'

export async function up(query: QueryInterface): Promise<void> {
  await query.createTable('passphrase', {
    id: { type: DataTypes.INTEGER, primaryKey: true, allowNull: false },
    hash: { type: DataTypes.STRING(300), allowNull: false },
  })
  await query.createTable('sessions', {
    tokenHash: { type: DataTypes.STRING(64), primaryKey: true, allowNull: false },
    expiresAt: { type: DataTypes.DATE, allowNull: false },
  })
  await query.createTable('readerLinks', {
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
  for (const table of ['readerLinks', 'sessions', 'passphrase']) await query.dropTable(table)
}
