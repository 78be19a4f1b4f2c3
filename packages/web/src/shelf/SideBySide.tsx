import { showNumber } from '@zubric/core/quantity';
import {
  PART_STATE_WORDS,
  partChoices,
  partFields,
  typeOfPart,
  type Part,
  type PartField,
} from '@zubric/core/vehicle';
import { Panel } from '../common/Panel.tsx';
import { useSay } from '../common/units.tsx';
import { figureSaid } from './figures.ts';

/** So many parts stand side by side at most. */
export const MOST_BESIDE = 4;

interface Props {
  readonly parts: readonly Part[];
  readonly onClose: () => void;
}

const valueOf = (part: Part, key: string): unknown =>
  (part as unknown as Readonly<Record<string, unknown>>)[key];

/** Every figure and choice that one of these parts has, once each. */
function rowsOf(parts: readonly Part[]) {
  const figures = new Map<string, PartField>();
  const choices = new Map<string, string>();
  for (const part of parts) {
    const type = typeOfPart(part);
    for (const field of partFields(part.kind, type))
      if (valueOf(part, field.key) !== undefined) figures.set(field.key, field);
    for (const { key, title } of partChoices(part.kind, type))
      if (valueOf(part, key) !== undefined) choices.set(key, title);
  }
  return { figures: [...figures.values()], choices: [...choices] };
}

/** Up to four parts side by side, figure by figure; where they differ stands out. */
export function SideBySide({ parts, onClose }: Props) {
  const say = useSay();
  const { figures, choices } = rowsOf(parts);
  const saidBy =
    (field: PartField) =>
    (part: Part): string => {
      const value = valueOf(part, field.key);
      if (typeof value !== 'number') return '–';
      const text = figureSaid(field, value, say);
      return part.guessed?.[field.key] === undefined ? text : `about ${text}`;
    };
  const rows: readonly (readonly [string, string, (part: Part) => string])[] = [
    ['kind', 'Kind', ({ kind }) => kind],
    ...choices.map(([key, title]) => [key, title, (part: Part) => wordOf(valueOf(part, key))] as const),
    ...figures.map((field) => [field.key, field.title, saidBy(field)] as const),
    ...(parts.some(gearheadOf) ? [['gearhead', 'Gearhead behind it', gearSaid] as const] : []),
    ['state', 'State', ({ state }) => PART_STATE_WORDS[state]],
    ['whence', 'Where from', ({ whence }) => whence ?? '–'],
  ];
  return (
    <Panel title="Side by side" onClose={onClose} wide>
      <div className="overflow-x-auto">
        <table className="grid-table">
          <thead>
            <tr>
              <th scope="col">
                <span className="sr-only">Figure</span>
              </th>
              {parts.map((part) => (
                <th key={part.id} scope="col">
                  {part.name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(([key, title, said]) => {
              const texts = parts.map(said);
              const differ = new Set(texts).size > 1;
              return (
                <tr key={key}>
                  <th scope="row" className="font-normal text-soft">
                    {title}
                  </th>
                  {texts.map((text, at) => (
                    <td key={parts[at]?.id} className={differ ? 'font-semibold' : ''}>
                      {text}
                    </td>
                  ))}
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </Panel>
  );
}

const gearheadOf = (part: Part) => (part.kind === 'motor' ? part.gearhead : undefined);
const gearSaid = (part: Part): string => {
  const gearhead = gearheadOf(part);
  return gearhead ? `${showNumber(gearhead.ratio)} : 1; figures above are before it` : '–';
};

const wordOf = (value: unknown): string =>
  value === undefined ? '–' : value === true ? 'yes' : value === false ? 'no' : String(value);
