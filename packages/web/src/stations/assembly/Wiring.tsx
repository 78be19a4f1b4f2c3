import { portProblemInWords } from '@zubric/core/say';
import type { Build } from '@zubric/core/vehicle';
import { wiringMap, type Wire } from '@zubric/core/wiring';
import { Link } from 'react-router';
import { useMemo } from 'react';
import { stationAddress } from '../../common/stations.ts';
import { useSay } from '../../common/units.tsx';
import { TextField } from '../../fields/TextField.tsx';
import { Caution } from '../../findings/Findings.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { CAUTION_FOR_SHORTS } from '@zubric/core/assembly';

const MOST = 30;

/** The port that a wire ends at, as the builder chose it; the usual one where the field is emptied. */
const withPort = (build: Build, id: string, port: string): Build => {
  const { ports: before = [], ...rest } = build.assembly;
  const others = before.filter((one) => one.id !== id);
  const ports = port.trim() === '' ? others : [...others, { id, port: port.trim() }];
  return { ...build, assembly: ports.length === 0 ? rest : { ...rest, ports } };
};

/** Which wire goes where: ends, poles, colours, copper, and ports that clash. */
export function Wiring() {
  const { build, id } = useBuild();
  const { wires, problems } = useMemo(() => wiringMap(build), [build]);
  const labelOf = (wireId: string): string => wires.find((wire) => wire.id === wireId)?.label ?? wireId;
  const inverted = wires.filter((wire) => wire.inverted);
  return (
    <div className="grid gap-3">
      <div>
        <h1>Which wire goes where?</h1>
        <p className="mt-0.5 text-[16px] text-soft">
          {wires.length === 0 ? (
            <>
              Nothing is wired yet: choose motor, driver and battery at{' '}
              <Link className="underline" to={stationAddress(id, 'power')}>
                Power
              </Link>
              .
            </>
          ) : problems.length > 0 ? (
            <b className="font-semibold text-short">
              {problems.length === 1 ? 'One thing does' : `${problems.length} things do`} not add up among the
              ports.
            </b>
          ) : (
            <>
              {wires.length} wires, every port has one of its own
              {inverted.length > 0 && (
                <>
                  ; inverted as mirror images:{' '}
                  <b className="font-semibold text-ink">{inverted.map(({ label }) => label).join(', ')}</b>
                </>
              )}
              .
            </>
          )}
        </p>
      </div>
      {problems.length > 0 && (
        <ul className="sheet divide-y divide-line" aria-label="What does not add up">
          {problems.map((problem) => {
            const said = portProblemInWords(problem, labelOf);
            return (
              <li key={said} className="px-3 py-2">
                {said}
              </li>
            );
          })}
        </ul>
      )}
      {wires.length > 0 && <Caution>{CAUTION_FOR_SHORTS}</Caution>}
      {wires.length > 0 && (
        <ul className="sheet divide-y divide-line" aria-label="Wires">
          {wires.map((wire) => (
            <WireRow key={wire.id} wire={wire} />
          ))}
        </ul>
      )}
    </div>
  );
}

function WireRow({ wire }: { readonly wire: Wire }) {
  const { build, edit } = useBuild();
  const say = useSay();
  const chosen = build.assembly.ports?.find((port) => port.id === wire.id)?.port;
  const atFrom = wire.carries !== 'signal';
  const usual = atFrom ? wire.from.port : wire.to.port;
  const mayChoose = wire.carries === 'motor' || wire.carries === 'signal' || wire.carries === 'supply';
  return (
    <li className="grid gap-x-4 gap-y-1 px-3 py-2 lg:grid-cols-[minmax(0,2fr)_minmax(0,2fr)_minmax(0,2fr)_10rem]">
      <span className="min-w-0 break-words">
        <b className="font-semibold">{wire.from.at}</b>
        <span className="block text-[14px] text-soft">{wire.from.port}</span>
      </span>
      <span className="min-w-0 break-words">
        to <b className="font-semibold">{wire.to.at}</b>
        <span className="block text-[14px] text-soft">{wire.to.port}</span>
      </span>
      <span className="min-w-0 break-words">
        {wire.pole}; {wire.colour}
        {wire.inverted && <b className="font-semibold"> (mirrored: inverted)</b>}
        {wire.run && (
          <span className="block text-[14px] text-soft">
            {say(wire.run.area.value, 'area')}, {say(wire.run.length.value, 'length')} one way
            {wire.carries === 'battery' && ' in all'}
          </span>
        )}
      </span>
      {mayChoose && (
        <TextField
          label={`Port of ${wire.label}`}
          value={chosen ?? usual}
          maxLength={MOST}
          onChange={(port) => edit((b) => withPort(b, wire.id, port))}
        />
      )}
    </li>
  );
}
