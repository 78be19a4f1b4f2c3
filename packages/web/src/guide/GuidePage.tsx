import { findCalculator } from '@zubric/core/calculators';
import { GUIDE, type GuidePage as Page, type WorkedExample } from '@zubric/core/guide';
import { show } from '@zubric/core/quantity';
import { useMutation } from '@tanstack/react-query';
import { Link, NavLink, useNavigate, useParams } from 'react-router';
import { api } from '../common/api.ts';
import { stationAddress, STATIONS, type StationPath } from '../common/stations.ts';
import { useUnits } from '../common/units.tsx';
import { useTitle } from '../common/use-title.ts';
import { Header } from '../frame/Header.tsx';

/** What a station answers, how it is worked out, and examples that open as builds. */
export function GuidePage() {
  const { station = STATIONS[0].path } = useParams();
  const page = GUIDE.find((one) => one.station === station);
  useTitle(page?.title ?? 'Guide');
  return (
    <>
      <Header>
        <span className="font-narrow text-[16px] font-semibold">Guide</span>
      </Header>
      <main id="main" className="grid grid-cols-1 md:grid-cols-[190px_minmax(0,1fr)]">
        <nav
          aria-label="Pages of the guide"
          className="border-line px-2 py-3 max-md:flex max-md:flex-wrap md:border-r"
        >
          {STATIONS.map(({ path, title }) => (
            <NavLink
              key={path}
              to={`/guide/${path}`}
              aria-current={path === station ? 'page' : undefined}
              className={`block px-3 py-2 font-narrow text-[16px] font-medium ${path === station ? 'bg-ink text-sheet' : 'hover:bg-mech-lo'}`}
            >
              {title}
            </NavLink>
          ))}
        </nav>
        {page ? (
          <Station page={page} />
        ) : (
          <div className="p-6">
            <h1>There is no page of that name</h1>
            <p className="mt-2">Choose one from the list.</p>
          </div>
        )}
      </main>
    </>
  );
}

function Station({ page }: { readonly page: Page }) {
  return (
    <div className="grid max-w-[900px] content-start gap-5 px-5 py-4">
      <h1>{page.title}</h1>
      <Lines title="What it answers" lines={page.answers} />
      <Lines title="How it is worked with" lines={page.how} />
      <section className="grid gap-2" aria-labelledby="examples">
        <h2 id="examples">Worked by hand</h2>
        {page.examples.map((example) => (
          <Example key={example.id} example={example} station={page.station as StationPath} />
        ))}
      </section>
      <section className="grid gap-1" aria-labelledby="sums">
        <h2 id="sums">What it stands on</h2>
        <p className="text-soft">Each opens as a quick sum, with its numbers to be changed.</p>
        <div className="sheet divide-y divide-line">
          {page.sums.map((name) => (
            <SumOnPage key={name} name={name} />
          ))}
        </div>
      </section>
      <Lines title="What it leaves out" lines={page.limits} />
    </div>
  );
}

const Lines = ({ title, lines }: { readonly title: string; readonly lines: readonly string[] }) => (
  <section>
    <h2>{title}</h2>
    <ul className="mt-1 list-disc pl-5">
      {lines.map((line) => (
        <li key={line}>{line}</li>
      ))}
    </ul>
  </section>
);

/** A formula with where it comes from and how far it holds. */
function SumOnPage({ name }: { readonly name: string }) {
  const sum = findCalculator(name);
  if (!sum) return null;
  return (
    <details className="px-3 py-2">
      <summary className="cursor-pointer font-semibold">{sum.title}</summary>
      <p className="mt-1 font-mono text-[14px] break-words">{sum.formula}</p>
      <p className="mt-1 text-[15px]">{sum.limits}</p>
      <p className="mt-1 text-[14px] text-soft">Source: {sum.source}.</p>
      <p className="mt-1">
        <Link className="underline" to={`/sums/${name}`}>
          {sum.asks}
        </Link>
      </p>
    </details>
  );
}

interface ExampleProps {
  readonly example: WorkedExample;
  readonly station: StationPath;
}

/** What is given, what it is by hand, and the build to see it in. */
function Example({ example, station }: ExampleProps) {
  const { system } = useUnits();
  const navigate = useNavigate();
  const opened = useMutation({
    mutationFn: () => api.createFrom(example.make()),
    onSuccess: ({ id }) => navigate(stationAddress(id, station)),
    retry: false,
  });
  return (
    <div className="sheet grid gap-1.5 p-4">
      <h3 className="font-semibold">{example.title}</h3>
      <p>{example.given}</p>
      <p>
        By hand: {example.byHand} = <b>{show(example.value, example.dimension, system).text}</b>
      </p>
      <p className="text-soft">In the build: {example.what}.</p>
      <p>
        <button
          type="button"
          className="push min-h-10"
          disabled={opened.isPending}
          aria-label={`Open “${example.title}” as a build`}
          onClick={() => opened.mutate()}
        >
          Open it as a build
        </button>
      </p>
      {opened.isError && (
        <p role="alert" className="text-short">
          It could not be begun: {opened.error.message}
        </p>
      )}
    </div>
  );
}
