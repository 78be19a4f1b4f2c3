/** A unit of the trade. Affine and curved units (none but grades so far) give both ways by function. */
export interface Unit {
  readonly symbol: string;
  /** Other spellings, in lower case and without spaces. */
  readonly names: readonly string[];
  /** Size in SI, or how to turn a number in this unit to SI and back. */
  readonly si: number | { readonly to: (n: number) => number; readonly from: (si: number) => number };
}

/** A kind of quantity: its units, and which to show for a size (`from` in SI, smallest first). */
export interface DimensionDefinition {
  readonly title: string;
  readonly siSymbol: string;
  readonly units: readonly Unit[];
  readonly metric: readonly ShownUnit[];
  readonly imperial: readonly ShownUnit[];
  /** In which unit nothing of it is said, where that is not the one of ordinary sizes. */
  readonly zero?: { readonly metric: string; readonly imperial: string };
}

/** A unit, and from which value on it is shown. */
export interface ShownUnit {
  readonly symbol: string;
  readonly from: number;
}
