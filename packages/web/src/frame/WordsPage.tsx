import { TERMS } from '@zubric/core/say';
import { useEffect } from 'react';
import { useLocation } from 'react-router';
import { useTitle } from '../common/use-title.ts';
import { Header } from './Header.tsx';

/** Every word of the application with its sentence; the address may name one of them. */
export function WordsPage() {
  useTitle('Words');
  const { hash } = useLocation();
  const wanted = hash.slice(1);
  useEffect(() => {
    document.getElementById(wanted)?.scrollIntoView({ block: 'center' });
  }, [wanted]);
  return (
    <>
      <Header>
        <span className="font-narrow text-[16px] font-semibold">Words</span>
      </Header>
      <main id="main" className="mx-auto max-w-3xl px-4 py-5">
        <h1>What do the words here mean?</h1>
        <dl className="sheet mt-3 divide-y divide-line">
          {TERMS.map(({ id, term, sentence }) => (
            <div
              key={id}
              id={id}
              className={`grid gap-x-4 px-3 py-2 sm:grid-cols-[12rem_1fr] ${id === wanted ? 'bg-mech-lo' : ''}`}
            >
              <dt className="font-semibold">{term}</dt>
              <dd>{sentence}</dd>
            </div>
          ))}
        </dl>
      </main>
    </>
  );
}
