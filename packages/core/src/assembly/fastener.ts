/** Screws of one kind that a step puts in. */
export interface Fastener {
  /** The thread. */
  readonly size: string;
  readonly kind: 'screw' | 'set screw' | 'nut';
  readonly lengthMm?: number;
  readonly count: number;
  /** What it holds. */
  readonly holds: string;
  /** How many hold one such thing: three or more are a pattern. */
  readonly each: number;
  /** Torque to tighten it with, into steel; absent where a hand feels it. */
  readonly torqueNm?: number;
  /** What keeps it where it turns or shakes. */
  readonly lock?: 'thread lock' | 'self-locking nut';
  /** It holds two flanges face to face. */
  readonly flange?: true;
  /** A usual size, not one that the build states. */
  readonly usual: boolean;
}
