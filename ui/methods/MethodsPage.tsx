import { METHODS } from '@/core/method/library';
import { StitchPatch } from '../theme/stitches';

const STANDING = { practice: '', uncertain: 'uncertain', estimate: 'our estimate' } as const;

/** The library in working order, each method with its school, the reason, and its figures. */
export function MethodsPage() {
  return (
    <div className="page">
      <header className="page-head">
        <div className="page-title">
          <h1>Methods</h1>
          <p className="quiet">
            In working order. Where practice differs the schools stand side by side. Figures are common practice, with no published source, unless they say
            otherwise.
          </p>
        </div>
      </header>
      <ul className="methods">
        {METHODS.map((method) => (
          <li key={method.id} className="panel">
            <header>
              <StitchPatch kind={method.stage} />
              <div>
                <h2>{method.name}</h2>
                <p className="quiet">{method.school}</p>
              </div>
            </header>
            <p>{method.why}</p>
            <dl>
              {method.params.map((param) => (
                <div key={param.key}>
                  <dt>
                    {param.label} {STANDING[param.standing] ? <span className="quiet">({STANDING[param.standing]})</span> : null}
                  </dt>
                  <dd className="figure">{param.usual === null ? 'no figure in common use' : `${param.usual} ${param.unit}`}</dd>
                </div>
              ))}
            </dl>
            {method.steps.map((step) => (step.lookFor ? <p key={step.key}>Look for: {step.lookFor}</p> : null))}
          </li>
        ))}
      </ul>
    </div>
  );
}
