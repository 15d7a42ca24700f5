import type { ReactNode } from 'react';

interface PageProps {
  readonly title: ReactNode;
  /** Under the title: figures of the whole, where it belongs. */
  readonly under?: ReactNode;
  readonly mark?: ReactNode;
  readonly acts?: ReactNode;
  readonly className?: string;
  readonly children: ReactNode;
}

/** Every page: its name, what can be done, and below a hem what it shows. */
export function Page({ title, under, mark, acts, className, children }: PageProps) {
  return (
    <div className={className ? `page ${className}` : 'page'}>
      <header className="page-head">
        {mark}
        <div className="row-main">
          <h1>{title}</h1>
          {under ? <div className="line quiet">{under}</div> : null}
        </div>
        {acts}
      </header>
      {children}
    </div>
  );
}

interface PanelProps {
  readonly title?: ReactNode;
  readonly acts?: ReactNode;
  readonly label?: string;
  readonly className?: string;
  readonly children: ReactNode;
}

export function Panel({ title, acts, label, className, children }: PanelProps) {
  return (
    <section className={className ? `panel ${className}` : 'panel'} aria-label={label}>
      {title || acts ? (
        <header className="line line-tight">
          {title ? <h2>{title}</h2> : <span />}
          {acts}
        </header>
      ) : null}
      {children}
    </section>
  );
}
