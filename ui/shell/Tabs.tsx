'use client';

interface Props<T extends string> {
  readonly label: string;
  readonly tabs: readonly { readonly id: T; readonly name: string }[];
  readonly chosen: T;
  readonly onChoose: (id: T) => void;
}

/** Parts of one page, one shown at a time; the page keeps which in its address. */
export function Tabs<T extends string>({ label, tabs, chosen, onChoose }: Props<T>) {
  return (
    <nav className="tabs" aria-label={label}>
      {tabs.map((tab) => (
        <button key={tab.id} type="button" className="tab" aria-current={tab.id === chosen ? 'page' : undefined} onClick={() => onChoose(tab.id)}>
          {tab.name}
        </button>
      ))}
    </nav>
  );
}
