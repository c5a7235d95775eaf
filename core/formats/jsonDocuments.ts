/** A complete top-level object found in a text, or what stood where one was expected. */
export type JsonPiece =
  | {
      readonly kind: 'object'
      readonly text: string
      /** line it starts on, from 1 */ readonly line: number
    }
  | { readonly kind: 'problem'; readonly message: string; readonly line: number }

/** Longest single object, in characters: a document of one file is some kilobytes. */
const longestObject = 2_000_000

/**
 * Splits a stream of text into its top-level JSON objects, however they are strung together: one
 * document, an array,
 * JSON lines, or documents one after the other as a shell loop writes them. Feed it chunks as they
 * come; nothing but
 * the object in progress is kept.
 */
export class JsonObjectSplitter {
  private depth = 0
  private inString = false
  private escaped = false
  private started = 1
  private line = 1
  private collected: string[] = []
  private collectedLength = 0
  private strayLine = 0

  /** The objects completed by this chunk. */
  push(chunk: string): JsonPiece[] {
    const pieces: JsonPiece[] = []
    let from = this.depth > 0 ? 0 : -1
    for (let at = 0; at < chunk.length; at++) {
      const code = chunk.charCodeAt(at)
      if (code === 10) this.line++
      if (this.depth === 0) {
        if (code === 123) {
          this.depth = 1
          this.started = this.line
          from = at
        } else if (!this.isSeparator(code) && this.strayLine !== this.line) {
          this.strayLine = this.line
          pieces.push({
            kind: 'problem',
            line: this.line,
            message: 'Text outside a JSON object was skipped.',
          })
        }
        continue
      }
      if (this.inString) {
        if (this.escaped) this.escaped = false
        else if (code === 92) this.escaped = true
        else if (code === 34) this.inString = false
        continue
      }
      if (code === 34) this.inString = true
      else if (code === 123) this.depth++
      else if (code === 125 && --this.depth === 0) {
        this.collected.push(chunk.slice(from, at + 1))
        pieces.push({ kind: 'object', line: this.started, text: this.collected.join('') })
        this.forget()
        from = -1
      }
    }
    if (this.depth > 0) {
      const part = chunk.slice(Math.max(0, from))
      this.collected.push(part)
      this.collectedLength += part.length
      if (this.collectedLength > longestObject) {
        pieces.push({
          kind: 'problem',
          line: this.started,
          message: 'An object larger than 2 MB was skipped; a scan has one object for each file.',
        })
        this.forget()
        this.depth = 0
        this.inString = false
      }
    }
    return pieces
  }

  /** What is left when the text is over: an object cut off in the middle. */
  end(): JsonPiece[] {
    if (this.depth === 0) return []
    return [
      {
        kind: 'problem',
        line: this.started,
        message: 'The scan breaks off in the middle of this object; it was left out.',
      },
    ]
  }

  private forget(): void {
    this.collected = []
    this.collectedLength = 0
  }

  /** White space, commas and the brackets of an array stand between objects. */
  private isSeparator(code: number): boolean {
    return (
      code === 32 ||
      code === 9 ||
      code === 10 ||
      code === 13 ||
      code === 44 ||
      code === 91 ||
      code === 93 ||
      code === 0xfeff
    )
  }
}
