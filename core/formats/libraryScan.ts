import { readCsvScan } from './csvScan'
import { JsonObjectSplitter, type JsonPiece } from './jsonDocuments'
import { readProbeDocument } from './probeDocument'
import type { ScannedFile } from './scannedFile'

/** Something in a scan that could not be read, and where. */
export interface ScanProblem {
  readonly line: number
  readonly message: string
}

/** Most problems that are kept one by one; the rest is counted. */
export const problemsKept = 200

/**
 * Reads a library scan as it comes, chunk by chunk: ffprobe JSON in any stringing, or CSV. Which of
 * the two it is shows
 * in the first sign that is no white space. CSV is kept until its end, for a quoted field may hold
 * a line break.
 */
export class LibraryScanReader {
  readonly problems: ScanProblem[] = []
  problemCount = 0
  private readonly splitter = new JsonObjectSplitter()
  private kind: 'json' | 'csv' | null = null
  private csv: string[] = []

  constructor(private readonly onFile: (file: ScannedFile) => void) {}

  push(chunk: string): void {
    this.kind ??= this.kindOf(chunk)
    if (this.kind === 'csv') this.csv.push(chunk)
    else if (this.kind === 'json') this.splitter.push(chunk).forEach(piece => this.take(piece))
  }

  end(): void {
    if (this.kind === 'json') this.splitter.end().forEach(piece => this.take(piece))
    if (this.kind === 'csv') {
      const { files, problems } = readCsvScan(this.csv.join(''))
      this.csv = []
      problems.forEach(problem => this.note(problem.line, problem.message))
      files.forEach(this.onFile)
    }
    if (this.kind === null) this.note(1, 'The file is empty.')
  }

  /** Notes a problem; past the limit it is only counted. */
  note(line: number, message: string): void {
    this.problemCount++
    if (this.problems.length < problemsKept) this.problems.push({ line, message })
  }

  private kindOf(chunk: string): 'json' | 'csv' | null {
    const [first] = /[^\s\uFEFF]/.exec(chunk) ?? []
    return first === undefined ? null : first === '{' || first === '[' ? 'json' : 'csv'
  }

  private take(piece: JsonPiece): void {
    if (piece.kind === 'problem') return this.note(piece.line, piece.message)
    let value: unknown
    try {
      value = JSON.parse(piece.text)
    } catch {
      return this.note(piece.line, 'This object is not valid JSON; it was left out.')
    }
    const file = readProbeDocument(value)
    if (file) this.onFile(file)
    else
      this.note(
        piece.line,
        'This object is not a scan of a file (no format and no streams); it was left out.',
      )
  }
}
