/**
 * Input that is well formed but asks for something that cannot be: a motor asked for more than its stall
 * torque, sprockets that overlap. `code` is stable; the message says what to change.
 */
export class NotPhysical extends Error {
  readonly code: string;

  constructor(code: string, message: string) {
    super(message);
    this.name = 'NotPhysical';
    this.code = code;
  }
}
