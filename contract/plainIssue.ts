import type { z } from 'zod';

/** The schema's own words where it has some; else what a person can do. The same at the door and in a form. */
export function plainIssue(issue: z.core.$ZodIssue): string {
  switch (issue.code) {
    case 'invalid_type':
      return /received (undefined|null)/.test(issue.message) ? 'This is missing.' : `This must be a ${issue.expected}.`;
    case 'unrecognized_keys':
      return `Not known here: ${issue.keys.join(', ')}.`;
    case 'too_big':
      return issue.message.startsWith('Too big') ? `At most ${issue.maximum}.` : issue.message;
    case 'too_small':
      return issue.message.startsWith('Too small') ? `At least ${issue.minimum}.` : issue.message;
    case 'invalid_value':
      return `One of: ${issue.values.slice(0, 20).join(', ')}.`;
    default:
      return issue.message;
  }
}

/** What a schema finds wrong with a value, by place ("composition.0.pct"). */
export function issuesOf(error: z.core.$ZodError): { readonly at: string; readonly message: string }[] {
  return error.issues.slice(0, 20).map((issue) => ({ at: issue.path.join('.') || 'body', message: plainIssue(issue) }));
}
