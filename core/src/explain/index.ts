export {
  BASES,
  explain,
  given,
  weakestBasis,
  workingDefault,
  type Basis,
  type Explained,
  type Input,
} from './explained';
export { FORMULAS, type Formula, type FormulaId } from './formulas';
