import type { ReactNode } from 'react';

/** A labelled field. What is wrong is said under it, outside the label: the name of a field does not change with its faults. */
export function Field({ label, problem, children, hint }: { label: string; problem?: string | undefined; children: ReactNode; hint?: ReactNode }) {
  return (
    <div className="field-block">
      {/* biome-ignore lint/a11y/noLabelWithoutControl: the control is handed in */}
      <label className="field">
        <span>{label}</span>
        {children}
        {hint ? <span className="quiet small">{hint}</span> : null}
      </label>
      {problem ? (
        <span className="field-error" role="alert">
          {problem}
        </span>
      ) : null}
    </div>
  );
}

/** What is wrong with no field of its own. */
export const FormProblem = ({ text }: { text: string | undefined | null }) =>
  text ? (
    <p className="field-error" role="alert">
      {text}
    </p>
  ) : null;
