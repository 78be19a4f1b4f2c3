import type { z } from 'zod';
import type { Sum } from '../../contract/index.ts';
import type { Quantity, Words } from '../../quantity/index.ts';

/** What a part shows to its neighbour: a shaft with or without a keyway, or a bore. */
export interface Face {
  readonly kind: 'shaft' | 'bore';
  readonly diameter: Quantity;
  readonly keyWidth?: Quantity;
}

/** What every part of the path is made with: where it sits, and the bore or shaft that it is made for. */
export interface Fresh {
  readonly id: string;
  readonly after: string | null;
  readonly name: string;
  readonly bore: Quantity;
}

/** A part changed, as it is offered to its builder. */
export interface PathChange<E> {
  readonly text: Words;
  readonly element: E;
}

/** Two parts of the path that do not fit each other, and what joins them. */
export interface Mismatch {
  readonly elementId: string;
  readonly what: 'bore' | 'key' | 'bolt-circle';
  readonly has: Quantity;
  readonly wants: Quantity;
  /** Which of them is larger decides what joins them. */
  readonly adapter: 'bush' | 'stepped-shaft' | 'stepped-key' | 'cut-keyway' | 'plate';
  readonly holes?: readonly [number, number];
}

/** The shafts before and behind a part, where there are any. */
export interface Beside {
  readonly before?: Quantity;
  readonly behind?: Quantity;
}

/** What others ask of a kind of part, so that none of them need know it by name. */
export interface PathAbilities {
  readonly title: string;
  /** All of the kind together: "All shafts". */
  readonly all: string;
  /** It holds a hub on a shaft: one of the schools of the trade, each a change in place. */
  readonly isHub?: true;
  /**
   * What friction and screws must hold over the working torque, as shock and wear loosen them; absent where the allowable
   * stress or the rated torque has it in it, and then it stands twice as much for a moment (common practice, no source).
   */
  readonly safety?: number;
}

/**
 * A kind of part that the torque passes beside gears and loops: all that is known of it, in one module. `E` is what its
 * schema reads.
 */
export interface PathMember<E> extends PathAbilities {
  readonly schema: z.ZodType<E>;
  /** What it shows towards the motor and towards the wheel; absent where it shows nothing that must match. */
  faces?(element: E): { readonly before: Face; readonly behind: Face };
  /** The sum that says how many times a torque it stands, or what its maker says that it carries, N·m. */
  holds(element: E, torqueNm: number): Sum | { readonly rated: Quantity };
  /** A new one; what its bore does not say is assumed. */
  fresh(common: Fresh): E;
  /** More of what it holds by, step by step. */
  stronger(element: E): readonly PathChange<E>[];
  /** What of itself does not fit together. */
  mismatch?(element: E): Omit<Mismatch, 'elementId'> | undefined;
  /** Made to fit what is beside it; undefined where not it but its neighbour is changed. */
  fitted?(element: E, mismatch: Mismatch, beside: Beside): PathChange<E> | undefined;
  /** What is bought or made for it, beside the hubs that stages and layout bring. */
  part?(element: E): { readonly name: string; readonly count: number };
}
