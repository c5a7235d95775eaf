import { fitRule } from '../fitRule'

/** From so many drives on, slow air is too little. */
export const manyDrives = 4

/** Air moves at the drives. */
export const airAtDrives = fitRule<{
  readonly airflow: string
  readonly drives: number
  readonly fans: number
}>({
  id: 'airAtDrives',
  label: 'Air at the drives',
  group: 'place',
  otherwise: 'Stand the machine where air gets to its front.',
  judge({ housing, drives, heat, build: { parts } }) {
    if (!housing || drives.spinning === 0) return null
    const airflow = heat.air
    const fans =
      housing.fans.length +
      parts.reduce((sum, { kind, part }) => (kind === 'fan' ? sum + part.count : sum), 0)
    return {
      state:
        airflow === 'across' || (airflow === 'slow' && drives.spinning < manyDrives)
          ? 'pass'
          : 'warning',
      values: { airflow, drives: drives.spinning, fans },
    }
  },
  say: ({ airflow, drives }, _, state) =>
    state === 'pass'
      ? airflow === 'across'
        ? 'A fan blows across the drives.'
        : 'Air moves slowly at the drives, which does for so few.'
      : airflow === 'none'
        ? 'No air moves at the drives. Add a fan.'
        : `Air moves slowly at ${drives} drives. Add a fan in front of them, or leave an ` +
          'empty bay between them.',
  fixes: ({ housing, build: { parts } }) =>
    housing &&
    housing.fans.length + parts.filter(({ kind }) => kind === 'fan').length < housing.fanMounts
      ? [
          { how: 'add', kind: 'fan' },
          { how: 'replace', kind: 'case' },
        ]
      : [{ how: 'replace', kind: 'case' }],
})
