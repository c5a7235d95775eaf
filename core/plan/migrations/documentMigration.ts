/** A plan document of unknown or older shape. */
export type RawDocument = Readonly<Record<string, unknown>>

/** Brings a document from one schema version to the next; pure, and frozen once released. */
export interface DocumentMigration {
  readonly from: number
  readonly up: (document: RawDocument) => RawDocument
}
