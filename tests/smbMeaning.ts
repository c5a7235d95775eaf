/** One account as file sharing knows it: its name and its groups. */
export interface Login {
  readonly id: string
  readonly groups: readonly string[]
}

/** Sections of settings with their lines, as they stand in the text; comments left out. */
export function sectionsOf(text: string): Map<string, Map<string, string>> {
  const sections = new Map<string, Map<string, string>>()
  let open: Map<string, string> | null = null
  for (const raw of text.split('\n')) {
    const line = raw.trim()
    if (line === '' || line.startsWith('#') || line.startsWith(';')) continue
    const name = /^\[(.*)\]$/.exec(line)?.[1]
    if (name !== undefined) {
      if (sections.has(name)) throw new Error(`two sections named ${name}`)
      open = new Map()
      sections.set(name, open)
      continue
    }
    const at = line.indexOf('=')
    if (at < 0) throw new Error(`no setting: ${line}`)
    open?.set(line.slice(0, at).trim().toLowerCase(), line.slice(at + 1).trim())
  }
  return sections
}

/** Whether somebody is named in a list of users, by name or by a group with @ before it. */
function isListed(list: string | undefined, { id, groups }: Login): boolean {
  return (list ?? '')
    .split(/[\s,]+/)
    .some(name => name === id || (name.startsWith('@') && groups.includes(name.slice(1))))
}

const isYes = (value: string | undefined) => /^(yes|true|1)$/i.test(value ?? 'no')

/**
 * What somebody may do in a section, by the meaning of its settings: who is named invalid stays
 * out; where somebody is named valid nobody else comes in; the list of writers goes before read
 * only, and the list of readers keeps from writing who is no writer.
 */
export function rightBy(
  section: ReadonlyMap<string, string>,
  login: Login,
): 'none' | 'read' | 'write' {
  if (isListed(section.get('invalid users'), login)) return 'none'
  const valid = section.get('valid users') ?? ''
  if (valid !== '' && !isListed(valid, login)) return 'none'
  if (isListed(section.get('write list'), login)) return 'write'
  if (isListed(section.get('read list'), login)) return 'read'
  const isReadOnly = section.has('read only') ? isYes(section.get('read only')) : true
  return isReadOnly ? 'read' : 'write'
}
