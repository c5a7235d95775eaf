/** Names of fields that a notice lists one by one. */
const named = 8

function list(paths: readonly string[]): string {
  return paths.length > named
    ? `${paths.slice(0, named).join(', ')} and ${paths.length - named} more`
    : paths.join(', ')
}
const count = (paths: readonly string[]) =>
  paths.length === 1 ? 'one field' : `${paths.length} fields`

/**
 * What is said once a plan was imported: which fields this version does not use, and what became of
 * them.
 */
export function importNotice(
  name: string,
  {
    keptAside,
    leftOut,
  }: { readonly keptAside: readonly string[]; readonly leftOut: readonly string[] },
): string {
  return [
    `Imported "${name}".`,
    ...(keptAside.length
      ? [
          `This version of Numeron does not use ${count(keptAside)}: ${list(keptAside)}. ` +
            `${keptAside.length === 1 ? 'It is' : 'They are'} kept and exported unchanged.`,
        ]
      : []),
    ...(leftOut.length
      ? [
          `It left out ${count(leftOut)} that it does not use, because ` +
            `${leftOut.length === 1 ? 'it is' : 'they are'} too large or too many to keep: ` +
            `${list(leftOut)}. Keep your file if you need ` +
            `${leftOut.length === 1 ? 'it' : 'them'}.`,
        ]
      : []),
  ].join(' ')
}
