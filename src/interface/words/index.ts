export { TRADE_TERMS } from './trade-terms';
export { sideways, upright, lineWords, placeWords } from './sides';
export { Term } from './Term';
export { dayAndTime } from './when';
