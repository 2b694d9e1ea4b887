export {
  BASES,
  chosen,
  explain,
  given,
  likelyValues,
  weakestBasis,
  workingDefault,
  type Basis,
  type Explained,
  type Input,
} from './explained';
export { FORMULAS, type Formula, type FormulaId } from './formulas';
