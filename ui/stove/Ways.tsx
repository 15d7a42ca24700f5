'use client';
import type { ReactNode } from 'react';
import { Caution } from '../shell/Findings';
import { usePrint } from '../shell/facts';

interface Props {
  readonly label: string;
  /** The steps it is of. */
  readonly where: readonly string[];
  readonly says: string;
  readonly ways: readonly { readonly key: string; readonly title: string; readonly price: string; readonly acts: ReactNode }[];
  /** Puts it away. */
  readonly foot?: ReactNode;
}

/** Something went otherwise: what can be done, each with its price, taken in one tap. */
export function Ways({ label, where, says, ways, foot }: Props) {
  const print = usePrint();
  return (
    <section className="stack stack-tight" aria-label={label}>
      <Caution severity="caution" where={where} text={says} />
      <ul className="stack stack-tight">
        {ways.map(({ key, title, price, acts }) => (
          <li key={key} className="row">
            <span className="row-main">
              <strong>{print.says(title)}</strong>
              <span className="small">{print.says(price)}</span>
            </span>
            {acts}
          </li>
        ))}
      </ul>
      {foot}
    </section>
  );
}
