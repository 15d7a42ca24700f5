import type { ReactNode } from 'react';

/** A labelled field with what is wrong said under it. */
export function Field({ label, problem, children, hint }: { label: string; problem?: string | undefined; children: ReactNode; hint?: ReactNode }) {
  return (
    // biome-ignore lint/a11y/noLabelWithoutControl: the control is handed in
    <label className="field">
      <span>{label}</span>
      {children}
      {hint ? <span className="quiet small">{hint}</span> : null}
      {problem ? (
        <span className="field-error" role="alert">
          {problem}
        </span>
      ) : null}
    </label>
  );
}

/** What is wrong with no field of its own. */
export const FormProblem = ({ text }: { text: string | undefined | null }) =>
  text ? (
    <p className="field-error" role="alert">
      {text}
    </p>
  ) : null;
