import { firmwareHeader, firmwareJson, firmwareLines, firmwareOf, urdfOf } from '@zubric/core/outward';
import { markdownOf, pdfOf, reportPaper, type Paper } from '@zubric/core/papers';
import { useMutation } from '@tanstack/react-query';
import { useMemo, type ReactNode } from 'react';
import { fileNameOf } from '../builds/file-name.ts';
import { api } from '../common/api.ts';
import { sayDay, today } from '../common/days.ts';
import { download } from '../common/download.ts';
import { useUnits } from '../common/units.tsx';
import { useTitle } from '../common/use-title.ts';
import { useBuild } from '../session/BuildSession.tsx';
import { fonts } from './fonts.ts';

/** A text as a file of a kind. */
const written = (kind: string, write: () => string) => () =>
  Promise.resolve(new Blob([write()], { type: `${kind};charset=utf-8` }));

/** What was worked out, in forms that others read: a paper, a simulator, a program of the vehicle's own. */
export function OutPage() {
  const { id, build } = useBuild();
  const { system } = useUnits();
  useTitle('Take out', build.name);
  const name = fileNameOf(build.name);
  const paper = async (): Promise<Paper> => {
    const trialSets = await api.trialSets(id);
    return reportPaper(build, { system, day: sayDay(today()), trialSets });
  };
  const pdf = (sheet: 'A4' | 'Letter') => async (): Promise<Blob> =>
    new Blob([(await pdfOf(await paper(), await fonts(), sheet)) as BlobPart], { type: 'application/pdf' });
  return (
    <div className="grid max-w-[1100px] gap-5">
      <div>
        <h1>Take it out</h1>
        <p className="mt-0.5 max-w-prose text-[16px] text-soft">
          The build as it stands on this screen, in forms that people and other programs read.
        </p>
      </div>
      <Section
        title="The report, to read"
        says="What it must do, how each link stands, what stands in the way, its parts and its trials."
      >
        <Form name={`${name}.pdf`} says="PDF on A4" make={pdf('A4')} />
        <Form name={`${name}-letter.pdf`} says="PDF on Letter" make={pdf('Letter')} />
        <Form
          name={`${name}.md`}
          says="Markdown"
          make={async () => new Blob([markdownOf(await paper())], { type: 'text/markdown;charset=utf-8' })}
        />
      </Section>
      <Section
        title="Everything of it, as one file"
        says="The build with its logbook, photographs, snapshots and trials, as it was last saved: to keep, or for another bench."
      >
        <Form
          name={`${name}.zubric-whole.json`}
          says="Whole file"
          make={async () =>
            new Blob([JSON.stringify(await api.wholeBuild(id))], { type: 'application/json' })
          }
        />
      </Section>
      <Section
        title="The vehicle, for simulators"
        says="A base and each wheel with its joint, where they stand, with masses and inertia as Layout has them. The payload is left out."
      >
        <Form name={`${name}.urdf`} says="URDF" make={written('application/xml', () => urdfOf(build))} />
      </Section>
      <ForItsProgram name={name} />
      <Section
        title="For programs that ask by themselves"
        says="Everything that this application does can be asked over HTTP; the list is made from what the server checks by."
      >
        <a className="push inline-flex min-h-10 items-center" href="/api-docs/">
          The doors of this server
        </a>
        <a
          className="push inline-flex min-h-10 items-center"
          href="/api/openapi.json"
          download="zubric-openapi.json"
        >
          The same as OpenAPI 3.1
        </a>
      </Section>
    </div>
  );
}

interface SectionProps {
  readonly title: string;
  readonly says: string;
  readonly children: ReactNode;
}

const Section = ({ title, says, children }: SectionProps) => (
  <section className="sheet grid gap-2 p-4" aria-label={title}>
    <h2>{title}</h2>
    <p className="max-w-prose text-soft">{says}</p>
    <div className="flex flex-wrap items-start gap-2">{children}</div>
  </section>
);

interface FormProps {
  /** Of the file. */
  readonly name: string;
  readonly says: string;
  readonly make: () => Promise<Blob>;
}

/** One form, a press away; where it cannot be made, why. */
function Form({ name, says, make }: FormProps) {
  const made = useMutation({
    mutationFn: make,
    onSuccess: (file) => download(name, file),
    retry: false,
  });
  return (
    <div>
      <button type="button" className="push min-h-10" disabled={made.isPending} onClick={() => made.mutate()}>
        {made.isPending ? `Writing ${says} …` : says}
      </button>
      {made.isSuccess && (
        <p role="status" className="text-[14px] text-soft">
          {name}
        </p>
      )}
      {made.isError && (
        <p role="alert" className="max-w-[40ch] text-[14px] text-short">
          Not written: {made.error.message}
        </p>
      )}
    </div>
  );
}

/** The numbers that a program of the vehicle is written with, in its forms. */
function ForItsProgram({ name }: { readonly name: string }) {
  const { build } = useBuild();
  const firmware = useMemo(() => firmwareOf(build), [build]);
  return (
    <Section
      title="Numbers for its own program"
      says="Counts a metre, track, limits, gains and ports, so that program and build say the same."
    >
      <Form name={`${name}.h`} says="C header" make={written('text/x-c', () => firmwareHeader(firmware))} />
      <Form
        name={`${name}.constants.json`}
        says="JSON"
        make={written('application/json', () => firmwareJson(firmware))}
      />
      <Form
        name={`${name}.txt`}
        says="A line each"
        make={written('text/plain', () => firmwareLines(firmware))}
      />
      <Constants {...firmware} />
    </Section>
  );
}

/** The numbers themselves, to be seen before they are taken. */
const Constants = ({ constants, pins }: ReturnType<typeof firmwareOf>) => (
  <table className="grid-table relative basis-full max-md:block max-md:overflow-x-auto">
    <thead>
      <tr>
        <th scope="col">Name</th>
        <th scope="col" className="n">
          Number
        </th>
        <th scope="col">What it is</th>
      </tr>
    </thead>
    <tbody>
      {constants.map(({ name, value, says }) => (
        <tr key={name}>
          <th scope="row">
            <code>{name}</code>
          </th>
          <td className="n">{value}</td>
          <td>{says}</td>
        </tr>
      ))}
      {pins.map(({ name, port, says }) => (
        <tr key={name}>
          <th scope="row">
            <code>{name}</code>
          </th>
          <td className="n">{port}</td>
          <td>{says}</td>
        </tr>
      ))}
    </tbody>
  </table>
);
