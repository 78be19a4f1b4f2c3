import { protocolOf, type ProtocolName } from '@zubric/core/protocols';
import { Link } from 'react-router';
import { Caution } from '../../findings/Findings.tsx';
import { useBuild } from '../../session/BuildSession.tsx';

/** How a trial is set up, what can hurt, and what comes after it. */
export function SetUp({ protocol }: { readonly protocol: ProtocolName }) {
  const { id } = useBuild();
  const { aids, cautions, next, runs } = protocolOf(protocol);
  return (
    <div className="grid gap-2">
      <ul className="list-disc pl-5">
        {aids.map((aid) => (
          <li key={aid}>{aid}</li>
        ))}
        <li>
          {runs} {runs === 1 ? 'run makes' : 'runs make'} a verdict.{' '}
          <Link className="underline" to={`/builds/${id}/print?protocol=${protocol}`}>
            A form to fill in by hand
          </Link>
        </li>
      </ul>
      <p className="text-soft">Then: {next}</p>
      {cautions.map((caution) => (
        <Caution key={caution}>{caution}</Caution>
      ))}
    </div>
  );
}
