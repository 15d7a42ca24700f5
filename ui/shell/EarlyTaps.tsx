import { AWAKE, keepEarlyTaps } from './earlyTaps';

/** @param nonce of the request, by which the content policy knows the script */
export function EarlyTaps({ nonce }: { nonce: string | undefined }) {
  return (
    <script
      nonce={nonce}
      // The browser shows no page the nonce of its scripts, so what the server sent never looks the same again.
      suppressHydrationWarning
      // biome-ignore lint/security/noDangerouslySetInnerHtml: a function of ours, known by its nonce; nothing from outside is in it
      dangerouslySetInnerHTML={{ __html: `(${keepEarlyTaps})(${JSON.stringify(AWAKE)})` }}
    />
  );
}
