import { DataTypes, type QueryInterface } from 'sequelize'

export async function up(query: QueryInterface): Promise<void> {
  await query.createTable('logEntries', {
    planId: {
      type: DataTypes.STRING(36),
      primaryKey: true,
      allowNull: false,
      references: { model: 'plans', key: 'id' },
      onDelete: 'CASCADE',
    },
    id: { type: DataTypes.STRING(40), primaryKey: true, allowNull: false },
    kind: { type: DataTypes.STRING(20), allowNull: false },
    time: { type: DataTypes.INTEGER, allowNull: false },
    sameAs: { type: DataTypes.STRING(64), allowNull: false },
    document: { type: DataTypes.TEXT, allowNull: false },
  })
  await query.addIndex('logEntries', ['planId', 'time', 'id'], { name: 'logEntriesByTime' })
  await query.addIndex('logEntries', ['planId', 'kind', 'time'], { name: 'logEntriesByKind' })
  await query.addIndex('logEntries', ['planId', 'sameAs'], {
    name: 'logEntriesOnce',
    unique: true,
  })
}

export async function down(query: QueryInterface): Promise<void> {
  await query.dropTable('logEntries')
}
