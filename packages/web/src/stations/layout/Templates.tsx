import { PAPERS, templatesOf, toDxf, toPdf, toSvg, type Paper, type Template } from '@zubric/core/templates';
import { useMemo, useState } from 'react';
import { download } from '../../common/download.ts';
import { Choice } from '../../fields/Choice.tsx';
import { useBuild } from '../../session/BuildSession.tsx';

const SHEETS = Object.keys(PAPERS) as Paper[];

/** Sheets in true size: what is drawn round, drilled or cut by. */
export function Templates() {
  const { build } = useBuild();
  const templates = useMemo(() => templatesOf(build), [build]);
  const [name, setName] = useState<string>();
  const [paper, setPaper] = useState<Paper>('A4');
  const shown = templates.find((template) => template.name === name) ?? templates[0];
  if (!shown)
    return (
      <p className="text-soft">
        Templates are made of chain and spur gear stages, of motors whose size is known, and of boxes that are
        placed.
      </p>
    );
  return (
    <div className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.4fr)]">
      <div className="grid content-start gap-2">
        <Choice
          label="Template"
          value={shown.name}
          options={templates.map((template) => ({ value: template.name, title: template.title }))}
          onChange={setName}
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
          <Files template={shown} paper={paper} />
        </div>
      </div>
      <Preview template={shown} />
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
