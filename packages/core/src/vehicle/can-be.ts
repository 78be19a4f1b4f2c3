import { remembered } from '../contract/index.ts';
import { buildFields, sayDisagreements, type Build } from './document.ts';

const { shape } = buildFields;
type Field = keyof typeof shape;

const isField = (key: string): key is Field => Object.hasOwn(shape, key);

/** Whether each field may be so, asked once for each object: most of an edited build is the same objects. */
const objects = Object.fromEntries(
  Object.keys(shape).flatMap((key) =>
    isField(key) ? [[key, remembered((value: object) => shape[key].safeParse(value).success)]] : [],
  ),
);

const fits = (key: string, value: unknown): boolean =>
  isField(key) &&
  (typeof value === 'object' && value !== null
    ? (objects[key]?.(value) ?? false)
    : shape[key].safeParse(value).success);

/**
 * Whether a build may be so, as `buildSchema` has it: for one that was made of another, of which only what is new is looked
 * at.
 *
 * @example canBe({ ...puffin, name: '' }) // false
 */
export function canBe(build: Build): boolean {
  const whole = Object.keys(shape).every((key) => Object.hasOwn(build, key) || fits(key, undefined));
  if (!whole || !Object.entries(build).every(([key, value]) => fits(key, value))) return false;
  let agrees = true;
  sayDisagreements(build, () => {
    agrees = false;
  });
  return agrees;
}
