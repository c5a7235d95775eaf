import { describe, expect, it } from 'vitest'
import { catalogue } from '../catalogue/catalogue'
import { readPartsCsv } from '../machine/parts/partsCsv'
import { readCsvScan } from './csvScan'
import { readCsvTable, unclosedQuote } from './csvTable'

describe('a quotation mark', () => {
  it('that is never closed is told with the line it is opened in', () => {
    expect(unclosedQuote('a,b\n1,"two\n3,4\n', ',')).toMatchObject({ line: 2 })
    expect(unclosedQuote('"a,b\n1,2', ',')).toMatchObject({ line: 1 })
    expect(unclosedQuote('a;b\n"x\ny";2\n3;"four', ';')).toMatchObject({ line: 4 })
    expect(unclosedQuote('a,b\n1,"', ',')).toMatchObject({ line: 2 })
    expect(unclosedQuote('a,b\n1,"say ""', ',')).toMatchObject({ line: 2 })
  })
  it('that is closed, doubled, or within a cell, is none of them', () => {
    for (const text of [
      '',
      'a',
      '"a","b"',
      'a,b\n1,"say ""hello"" there"\n',
      'a,b\n1,3.5" drive\n',
    ])
      expect(unclosedQuote(text, ','), text).toBeNull()
    expect(unclosedQuote('a,b\n"1\n2",3\n', ',')).toBeNull()
    expect(readCsvTable('a,b\n1,2\n').unclosed).toBeNull()
  })
  it('is a problem of every list that is read, instead of rows lost in silence', () => {
    const parts = readPartsCsv(
      'id,note\nmole-450,"for the cellar\nflint-120,spare\n',
      catalogue,
      'EUR',
    )
    expect(parts.problems).toEqual([
      { line: 2, message: expect.stringContaining('never closed') as string },
    ])
    const scan = readCsvScan('path,height\n"a.mkv,1080\nb.mkv,720\n')
    expect(scan.problems[0]).toMatchObject({ line: 2 })
    expect(scan.problems[0]!.message).toContain('never closed')
  })
})

describe('a price of a list', () => {
  it('is in whole cents', () => {
    const read = (price: string) =>
      readPartsCsv(`id,price each\nmole-450,${price}\n`, catalogue, 'EUR')
    expect(read('12.35').problems).toEqual([])
    expect(read('0.29').problems).toEqual([])
    expect(read('12.345').problems[0]!.message).toContain('whole cents')
  })
})
