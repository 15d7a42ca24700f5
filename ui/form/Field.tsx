import { type ReactNode, useId } from 'react';

interface Props {
  readonly label: ReactNode;
  /** Gives the control its id, which ties it to the label. */
  readonly children: (id: string) => ReactNode;
  readonly hint?: ReactNode;
}

/** A labelled control outside a form: of a tool, or of a plan that is worked out while one types. */
export function Field({ label, children, hint }: Props) {
  const id = useId();
  return (
    <div className="stack stack-tight field">
      <label className="small quiet" htmlFor={id}>
        {label}
      </label>
      {children(id)}
      {hint ? <div className="small quiet">{hint}</div> : null}
    </div>
  );
}
