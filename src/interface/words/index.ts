export { TRADE_TERMS } from './trade-terms';
export { sideways, upright, cornerWords } from './sides';
export { Term } from './Term';
