import { figuresOf, inUnits, type Figure, type Sentence } from '../quantity/index.ts';
import { notice, type Notice } from './notice.ts';

/**
 * Input that is well formed but asks for something that cannot be: a motor asked for more than its stall
 * torque, sprockets that overlap. `code` is stable; the sentence says what to change, and `message` says it in metric.
 */
export class NotPhysical extends Error {
  readonly notice: Notice;

  constructor(code: string, said: Sentence | string) {
    const kept = notice(code, said);
    super(inUnits(kept.sentence, 'metric'));
    this.name = 'NotPhysical';
    this.notice = kept;
  }

  get code(): string {
    return this.notice.code;
  }

  /** The numbers in it, SI. */
  get figures(): readonly Figure[] {
    return figuresOf(this.notice.sentence);
  }
}
