export { NotPhysical } from './not-physical.ts';
export { notice, onceEach, type Notice } from './notice.ts';
export { defineCalculator, type Calculator, type WorkedExample } from './calculator.ts';
export * as key from './keys.ts';
export { once, remembered } from './remembered.ts';
export { sumOf, type Runs, type Sum } from './sum.ts';
export { bracketedRoot, highestPoint } from './solve.ts';
export { putIn, type EquationPutIn, type SayKey, type Symbols } from './put-in.ts';
export { problemWords } from './problem-words.ts';
