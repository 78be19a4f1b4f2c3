/** What others ask of a task, so that none of them need know it by name. */
interface Task {
  /** As it ends “In it, the vehicle …”. */
  readonly title: string;
  /** In a word among what a duty asks besides; '' for the usual one. */
  readonly word: string;
  /** The drive moves it; else a brake holds or slows it. */
  readonly drives: boolean;
  /** It goes along. */
  readonly moves: boolean;
  /** It ends by braking to a stand. */
  readonly stops: boolean;
}

/** Every task of a duty by its name in a build; others ask what it does. Each is offered as it stands here. */
const MEMBERS = {
  drive: { title: 'drives', word: '', drives: true, moves: true, stops: false },
  stop: { title: 'comes to a stand', word: 'stops', drives: false, moves: true, stops: true },
  hold: { title: 'is held at rest', word: 'held', drives: false, moves: false, stops: false },
} as const satisfies Record<string, Task>;

export type TaskName = keyof typeof MEMBERS;
/** All tasks of a duty. */
export const TASKS = Object.keys(MEMBERS) as [TaskName, ...TaskName[]];

/**
 * How a task is called.
 *
 * @example taskTitle('stop') // 'comes to a stand'
 */
export const taskTitle = (task: TaskName): string => MEMBERS[task].title;

/**
 * What the task of a duty is.
 *
 * @example taskOf({ task: 'hold' }).word // 'held'
 */
export const taskOf = ({ task }: { readonly task: TaskName }): Task => MEMBERS[task];
