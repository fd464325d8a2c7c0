/** What the tests use of it: formulas worked out as a spreadsheet does. */
declare module 'fast-formula-parser' {
  export default class FormulaParser {
    parse(formula: string, position: { sheet: string; row: number; col: number }): unknown;
  }
}
