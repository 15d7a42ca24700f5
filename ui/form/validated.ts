/** What a form library says when it refuses: the faults, or none where a newer check overtook this one. */
interface Refusal {
  readonly errorFields?: readonly { readonly errors: readonly string[] }[];
}

/** So often a check may be overtaken: a field that is left while the button is pressed checks itself. */
const MOST_TURNS = 5;

/**
 * Checks a form; a check that was overtaken by a newer one is asked again, since it found nothing: taken for a refusal, the tap that began
 * it would be lost without a word.
 * @returns the faults in words, or null where there are none
 */
export async function faultsOf(validate: () => Promise<unknown>): Promise<string | null> {
  for (let turn = 0; ; turn++) {
    try {
      await validate();
      return null;
    } catch (refused) {
      const faults = ((refused as Refusal).errorFields ?? []).flatMap(({ errors }) => errors);
      if (faults.length > 0 || turn === MOST_TURNS) return faults.join(' ');
    }
  }
}
