import ExcelJs from 'exceljs';
import fc from 'fast-check';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { harmless, plain, readCsv, writeCsv } from '../src/files/csv';
import { readXlsx, writeXlsx } from '../src/files/xlsx';

const cells = fc.array(fc.array(fc.string({ maxLength: 12 }), { minLength: 3, maxLength: 3 }), {
  minLength: 1,
  maxLength: 8,
});

describe('CSV', () => {
  it('comes back as it went, by our reader, and is RFC 4180 to another library', () => {
    fc.assert(
      fc.property(cells, (rows) => {
        // A lone empty first cell may be read as a blank line by others; ours keeps it.
        const text = writeCsv(['a', 'b', 'c'], rows);
        expect(readCsv(Buffer.from(text), 'x.csv').slice(1)).toEqual(
          rows.map((row) => row.map((cell) => plain(harmless(cell)))),
        );
        const { data, errors } = Papa.parse<string[]>(text.slice(1), { delimiter: ',', newline: '\r\n' });
        expect(errors).toEqual([]);
        expect(data.slice(1, -1)).toEqual(rows.map((row) => row.map(harmless)));
      }),
      { numRuns: 150 },
    );
  });
  it('carries no live formula out, and numbers stay numbers', () => {
    for (const [cell, safe] of [
      ['=1+1', "'=1+1"],
      ['@SUM(A1)', "'@SUM(A1)"],
      ['+cmd', "'+cmd"],
      ['-2+3+cmd', "'-2+3+cmd"],
      ['-12.50', '-12.50'],
      ['+3', '+3'],
      ['plain', 'plain'],
    ]) {
      expect(harmless(cell!)).toBe(safe);
      expect(plain(safe!)).toBe(cell);
    }
  });
  it('is read with semicolons and tabs, and refused where a quotation mark is not closed', () => {
    expect(readCsv(Buffer.from('a;b\n1,5;2'), 'x.csv')).toEqual([
      ['a', 'b'],
      ['1,5', '2'],
    ]);
    expect(readCsv(Buffer.from('a\tb\n1\t2'), 'x.csv')).toEqual([
      ['a', 'b'],
      ['1', '2'],
    ]);
    expect(() => readCsv(Buffer.from('a,b\n"1,2\n3,4'), 'x.csv')).toThrow(/x\.csv is no CSV .* quotation mark/);
  });
});

describe('XLSX', () => {
  it('keeps every cell as text, leading zeros and long numbers included', async () => {
    const rows = [
      ['036000291452', '4006381333931', '=1+1'],
      ['007', '', 'Rust'],
    ];
    expect(await readXlsx(await writeXlsx('Children', ['a', 'b', 'c'], rows), 'x.xlsx')).toEqual([
      ['a', 'b', 'c'],
      ...rows,
    ]);
  });
  it('reads what people make: numbers, dates, formulas by their result, long numbers without a power of ten', async () => {
    const book = new ExcelJs.Workbook();
    const sheet = book.addWorksheet('x');
    sheet.addRow([
      12.5,
      4006381333931,
      new Date(Date.UTC(2027, 2, 1)),
      true,
      { formula: 'A1*2', result: 25 },
      { richText: [{ text: 'Ru' }, { text: 'st' }] },
    ]);
    expect(await readXlsx(Buffer.from(await book.xlsx.writeBuffer()), 'x.xlsx')).toEqual([
      ['12.5', '4006381333931', '2027-03-01', 'yes', '25', 'Rust'],
    ]);
  });
  it('is refused when it is cut off', async () => {
    const whole = await writeXlsx('x', ['a'], [['1']]);
    await expect(readXlsx(whole.subarray(0, whole.length - 300), 'cut.xlsx')).rejects.toThrow(
      'cut.xlsx is not a whole XLSX file',
    );
  });
});
