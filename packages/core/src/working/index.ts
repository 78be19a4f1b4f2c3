export { ratioWorking, workingOfLink } from './links.ts';
export { circuitInputs as workingsOfCircuit } from './drive.ts';
export { chainWorking } from './stage.ts';
export { stopWorking, tipWorking } from './ground.ts';
export {
  calculated,
  fixed,
  from,
  isStated,
  shelf,
  worked,
  type Calculation,
  type Stated,
  type Working,
  type WorkingInput,
  type WorkingOrigin,
} from './working.ts';
export * from './opened.ts';
