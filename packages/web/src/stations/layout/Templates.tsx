import {
  PAPERS,
  templatesOf,
  toDxf,
  toPdf,
  toSvg,
  withKerf,
  type Paper,
  type Template,
} from '@zubric/core/templates';
import { typed } from '@zubric/core/quantity';
import { useId, useMemo, useState } from 'react';
import { download } from '../../common/download.ts';
import { Choice } from '../../fields/Choice.tsx';
import { QuantityEntry } from '../../fields/QuantityField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { OwnSheets } from './OwnSheets.tsx';

const SHEETS = Object.keys(PAPERS) as Paper[];

/** No beam or bit takes away more, m. */
const MOST_KERF = 0.01;

const ignore = (): void => undefined;

/** Sheets in true size: what is drawn round, drilled or cut by. */
export function Templates() {
  const { build } = useBuild();
  const templates = useMemo(() => templatesOf(build), [build]);
  const [name, setName] = useState<string>();
  const shown = templates.find((template) => template.name === name) ?? templates[0];
  return (
    <div className="grid gap-3">
      {shown ? (
        <Shown {...{ templates, shown }} onChoose={setName} />
      ) : (
        <p className="text-soft">
          Templates are made of chain, belt and spur gear stages, of motors whose size is known, of boxes that
          are placed and of holes in them, and of sheets of your own.
        </p>
      )}
      <OwnSheets onShow={setName} />
    </div>
  );
}

interface ShownProps {
  readonly templates: readonly Template[];
  readonly shown: Template;
  readonly onChoose: (name: string) => void;
}

/** One of the templates, and the forms in which it is had. */
function Shown({ templates, shown, onChoose }: ShownProps) {
  const [paper, setPaper] = useState<Paper>('A4');
  const [kerfM, setKerfM] = useState(0);
  const id = useId();
  const cut = useMemo(() => withKerf(shown, kerfM * 1000), [shown, kerfM]);
  return (
    <div className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.4fr)]">
      <div className="grid content-start gap-2">
        <Choice
          label="Template"
          value={shown.name}
          options={templates.map((template) => ({ value: template.name, title: template.title }))}
          onChange={onChoose}
        />
        <p className="text-[14px] text-soft">
          Print at 100 %, then measure the two lines of 100 mm before anything is drilled. Makers’ drawings of
          a part come first; try it in card.
        </p>
        <div className="flex flex-wrap items-end gap-2">
          <Choice
            label="Paper"
            value={paper}
            options={SHEETS.map((sheet) => ({ value: sheet, title: sheet }))}
            onChange={setPaper}
          />
          <QuantityEntry
            id={id}
            label="A laser or bit takes away (kerf)"
            dimension="length"
            value={typed(kerfM, 'mm')}
            check={(value) => (value < 0 || value > MOST_KERF ? 'This must be 0 to 10 mm.' : undefined)}
            onChange={({ value }) => setKerfM(value)}
            onUnread={ignore}
          />
          <Files template={cut} paper={paper} />
        </div>
      </div>
      <Preview template={cut} />
    </div>
  );
}

/** The template in each form. */
function Files({ template, paper }: { readonly template: Template; readonly paper: Paper }) {
  const [problem, setProblem] = useState<string>();
  const pdf = async (): Promise<void> => {
    try {
      const bytes = await toPdf(template, paper);
      download(`${template.name}.pdf`, new Blob([new Uint8Array(bytes)], { type: 'application/pdf' }));
      setProblem(undefined);
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error));
    }
  };
  return (
    <>
      <button type="button" className="push" onClick={() => void pdf()}>
        PDF
      </button>
      <button
        type="button"
        className="push"
        onClick={() =>
          download(`${template.name}.svg`, new Blob([toSvg(template)], { type: 'image/svg+xml' }))
        }
      >
        SVG
      </button>
      <button
        type="button"
        className="push"
        onClick={() =>
          download(`${template.name}.dxf`, new Blob([toDxf(template)], { type: 'image/vnd.dxf' }))
        }
      >
        DXF
      </button>
      {problem !== undefined && (
        <p role="alert" className="text-short">
          The PDF could not be written: {problem}. The SVG is the same in size.
        </p>
      )}
    </>
  );
}

/** The template as a picture: ink on paper, whatever the theme. */
function Preview({ template }: { readonly template: Template }) {
  const source = `data:image/svg+xml,${encodeURIComponent(toSvg(template))}`;
  return (
    <img
      src={source}
      alt={template.title}
      className="max-h-[420px] w-full border border-line bg-white object-contain p-2"
    />
  );
}
