import { csvText } from '../../formats/csvTable'
import { foldedPath } from './caseClashes'
import type { NameFinding } from './checkNames'
import type { NameRuleId } from './nameRules'

/** A file that gets another name. */
export interface Rename {
  readonly from: string
  readonly to: string
  readonly rules: readonly NameRuleId[]
  readonly isSure: boolean
}

export interface RenameList {
  /** within a top folder: a file system gives another name at once */
  readonly renames: readonly Rename[]
  /** between top folders, which may be other file systems: copied, compared, then deleted */
  readonly moves: readonly Rename[]
  /** proposals that are left out: not confirmed, or two of one name */
  readonly left: number
}

const topOf = (path: string) => path.slice(0, path.indexOf('/') + 1)

/**
 * What of the proposals is taken: the sure ones and those that somebody confirmed. Of two that
 * want one name neither is, whoever confirmed them.
 */
export function renameList(
  findings: readonly NameFinding[],
  isTaken: (finding: Extract<NameFinding, { kind: 'rename' }>) => boolean,
): RenameList {
  const proposals = findings.filter(found => found.kind === 'rename')
  const wanted = new Map<string, number>()
  for (const { to } of proposals.filter(isTaken)) {
    const key = foldedPath(to)
    wanted.set(key, (wanted.get(key) ?? 0) + 1)
  }
  const taken = proposals
    .filter(isTaken)
    .filter(({ to }) => wanted.get(foldedPath(to)) === 1)
    .map(({ path, to, rules, isSure }): Rename => ({ from: path, to, rules, isSure }))
  const isMove = ({ from, to }: Rename) => topOf(from) !== topOf(to)
  return {
    renames: taken.filter(rename => !isMove(rename)),
    moves: taken.filter(isMove),
    left: proposals.length - taken.length,
  }
}

/** The list as a table: from, to, by which rules, and whether it was sure by itself. */
export function renameCsv(renames: readonly Rename[]): string {
  return csvText([
    ['from', 'to', 'rule', 'sure'],
    ...renames.map(({ from, to, rules, isSure }) => [
      from,
      to,
      rules.join(' '),
      isSure ? 'yes' : 'no',
    ]),
  ])
}
