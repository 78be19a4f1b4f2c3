import { findCalculator, questionsFor } from '@zubric/core/calculators';
import { useId, useState } from 'react';
import { NavLink, useParams } from 'react-router';
import { Header } from '../frame/Header.tsx';
import { useTitle } from '../common/use-title.ts';
import { Sum } from './Sum.tsx';

/** Quick sums: each calculator alone, found by the question a builder asks. */
export function SumsPage() {
  const { name = 'road-load' } = useParams();
  const calculator = findCalculator(name);
  useTitle(calculator?.title ?? 'Quick sums');
  return (
    <>
      <Header>
        <span className="font-narrow text-[16px] font-semibold">Quick sums</span>
      </Header>
      <main id="main" className="grid grid-cols-1 md:grid-cols-[300px_minmax(0,1fr)]">
        <QuestionList />
        {calculator ? (
          <Sum key={calculator.name} calculator={calculator} />
        ) : (
          <div className="p-6">
            <h1>There is no sum of that name</h1>
            <p className="mt-2">Choose one from the list.</p>
          </div>
        )}
      </main>
    </>
  );
}

function QuestionList() {
  const id = useId();
  const [wanted, setWanted] = useState('');
  const groups = questionsFor(wanted);
  return (
    <nav
      aria-label="Questions"
      className="overflow-y-auto border-r border-line px-3 py-3 max-md:max-h-72 md:h-[calc(100vh-44px)]"
    >
      <label htmlFor={id} className="block text-[14px] text-soft">
        What do you want to know?
      </label>
      <input id={id} className="entry" value={wanted} onChange={(event) => setWanted(event.target.value)} />
      {groups.length === 0 && <p className="mt-3 text-soft">No question has these words.</p>}
      {groups.map((group) => (
        <section key={group.title} className="mt-3">
          <h2>{group.title}</h2>
          <ul>
            {group.questions.map((question) => (
              <li key={question.name}>
                <NavLink
                  to={`/sums/${question.name}`}
                  className={({ isActive }) =>
                    `block px-2 py-1 ${isActive ? 'bg-ink text-sheet' : 'hover:bg-mech-lo'}`
                  }
                >
                  {question.asks}
                </NavLink>
              </li>
            ))}
          </ul>
        </section>
      ))}
    </nav>
  );
}
