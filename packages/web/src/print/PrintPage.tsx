import { findingsInWords, type FindingInWords } from '@zubric/core/say';
import { evaluate, linkDefinition, type Report } from '@zubric/core/judge';
import { drivenDiameter, type Build } from '@zubric/core/vehicle';
import { showNumber } from '@zubric/core/quantity';
import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { PROTOCOL_NAMES } from '@zubric/core/protocols';
import { Link, useParams, useSearchParams } from 'react-router';
import { api } from '../common/api.ts';
import { sayDay, today } from '../common/days.ts';
import { Message } from '../common/Message.tsx';
import { stationAddress, type StationPath } from '../common/stations.ts';
import { useSay, useUnits } from '../common/units.tsx';
import { useTitle } from '../common/use-title.ts';
import { draftsOf } from '../session/drafts.ts';
import { AssemblySheet } from './AssemblySheet.tsx';
import { BenchSheets } from './BenchSheets.tsx';
import { SECTION } from './section.ts';
import { TrialForm } from './TrialForm.tsx';

/** The whole build on paper: what it must do, how it stands, what it is made of, and the steps to tick. */
export function PrintPage() {
  const { buildId = '' } = useParams();
  const stored = useQuery({
    queryKey: ['build', buildId, 'print'],
    queryFn: async () => {
      // What is on screen at the bench is what is printed, sent to the server or not.
      const [stored, [draft]] = await Promise.all([api.build(buildId), draftsOf(buildId)]);
      return draft?.document ?? stored.document;
    },
    staleTime: 0,
  });
  if (stored.isError)
    return (
      <main id="main">
        <Message
          title="This build cannot be printed"
          text={stored.error.message}
          retry={() => void stored.refetch()}
        />
      </main>
    );
  if (!stored.data) return <p className="p-10">Laying out the sheet …</p>;
  return <Sheet id={buildId} build={stored.data} />;
}

function Sheet({ id, build }: { readonly id: string; readonly build: Build }) {
  useTitle('Print', build.name);
  const [search] = useSearchParams();
  const form = PROTOCOL_NAMES.find((name) => name === search.get('protocol'));
  return form ? (
    <OnPaper id={id} back="trials">
      <TrialForm build={build} protocol={form} />
    </OnPaper>
  ) : (
    <WholeSheet id={id} build={build} />
  );
}

interface PaperProps {
  readonly id: string;
  readonly back: StationPath;
  readonly children: ReactNode;
}

/** A sheet as it is printed, and the way back. */
const OnPaper = ({ id, back, children }: PaperProps) => (
  <main id="main" className="mx-auto max-w-[190mm] px-4 py-6 print:max-w-none print:p-0">
    <div className="mb-4 flex gap-3 print:hidden">
      <button type="button" className="push push-main" onClick={() => window.print()}>
        Print this sheet
      </button>
      <Link to={stationAddress(id, back)} className="push inline-flex items-center">
        Back to the bench
      </Link>
    </div>
    {children}
  </main>
);

function WholeSheet({ id, build }: { readonly id: string; readonly build: Build }) {
  const { system } = useUnits();
  const report = evaluate(build);
  return (
    <OnPaper id={id} back="brief">
      <h1 className="break-words">{build.name}</h1>
      <p className="break-words text-soft">{build.purpose}</p>
      <p className="text-[14px] text-soft">
        Printed {sayDay(today())}
        {build.readyBy !== null && `; must be ready by ${sayDay(build.readyBy)}`}
      </p>
      <Duties build={build} report={report} />
      <Margins report={report} />
      <Findings findings={findingsInWords({ report, build }, system)} />
      <AssemblySheet build={build} />
      <BenchSheets build={build} />
    </OnPaper>
  );
}

function Duties({ build, report }: { readonly build: Build; readonly report: Report }) {
  const say = useSay();
  const { own, payload } = build.masses;
  return (
    <section className={SECTION}>
      <h2>What it must do</h2>
      <p>
        Own mass {say(own.mass.value, 'mass')}, payload {say(payload.mass.value, 'mass')}, driven wheels of{' '}
        {say(drivenDiameter(build.layout).value, 'length')}, ratio {showNumber(report.train.ratio)} : 1.
      </p>
      <table className="grid-table relative mt-1 max-md:block max-md:overflow-x-auto">
        <thead>
          <tr>
            <th scope="col">Job</th>
            <th scope="col">Ground</th>
            <th scope="col" className="n">
              Grade
            </th>
            <th scope="col" className="n">
              Speed
            </th>
            <th scope="col" className="n">
              Time
            </th>
            <th scope="col" className="n">
              Pull needed
            </th>
            <th scope="col" className="n">
              Speed reached
            </th>
          </tr>
        </thead>
        <tbody>
          {build.duties.map((duty) => {
            const result = report.duties.find((d) => d.id === duty.id);
            return (
              <tr key={duty.id}>
                <th scope="row">{duty.name}</th>
                <td>{build.grounds.find((g) => g.id === duty.groundId)?.name}</td>
                <td className="n">{say(duty.grade.value, 'angle')}</td>
                <td className="n">{say(duty.speed.value, 'speed')}</td>
                <td className="n">{say(result?.durationS ?? duty.duration.value, 'time')}</td>
                <td className="n">{result ? say(result.resistance.totalN, 'force') : '–'}</td>
                <td className="n">
                  {result?.attainableMps === undefined ? '–' : say(result.attainableMps, 'speed')}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}

function Margins({ report }: { readonly report: Report }) {
  const say = useSay();
  return (
    <section className={SECTION}>
      <h2>How each link stands in its hardest job</h2>
      {report.governing.length === 0 && <p>Nothing can be judged yet.</p>}
      <table className="grid-table relative max-md:block max-md:overflow-x-auto">
        <thead>
          <tr>
            <th scope="col">Link</th>
            <th scope="col" className="n">
              Needs
            </th>
            <th scope="col" className="n">
              Has
            </th>
            <th scope="col" className="n">
              Margin
            </th>
            <th scope="col">Verdict</th>
            <th scope="col">Job</th>
          </tr>
        </thead>
        <tbody>
          {report.governing.map((link) => {
            const { title, dimension } = linkDefinition(link.link);
            return (
              <tr key={link.link}>
                <th scope="row">{title}</th>
                <td className="n">{say(link.needs, dimension)}</td>
                <td className="n">{say(link.has, dimension)}</td>
                <td className="n">
                  {showNumber(link.ratio)} × of {showNumber(link.rule)} ×
                </td>
                <td className={link.verdict === 'fails' ? 'font-semibold' : ''}>{link.verdict}</td>
                <td>{report.duties.find((d) => d.id === link.dutyId)?.name ?? 'the whole outing'}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}

function Findings({ findings }: { readonly findings: readonly FindingInWords[] }) {
  if (findings.length === 0) return null;
  return (
    <section className={SECTION}>
      <h2>Findings</h2>
      <ul className="list-disc pl-5">
        {findings.map((finding) => (
          <li key={finding.id}>
            <b className="font-semibold">{finding.severity}:</b>{' '}
            {[finding.text, ...(finding.within ?? [])].join(' ')}
          </li>
        ))}
      </ul>
    </section>
  );
}
