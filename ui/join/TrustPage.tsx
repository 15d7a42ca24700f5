'use client';
import { Button, Flex, Typography } from 'antd';
import { LinkButton } from '../shell/LinkButton';
import { Notice } from '../shell/Notice';
import { Page, Panel } from '../shell/Page';
import { ScreenPicture } from './ScreenPicture';

interface Props {
  readonly fingerprint: string | null;
  readonly secureUrl: string | null;
}

/** How a device comes to trust the certificate of this home, in pictures, and how it is undone. */
export function TrustPage({ fingerprint, secureUrl }: Props) {
  if (fingerprint === null || secureUrl === null)
    return (
      <Page title="A private way in">
        <Notice>The home network is not listened on. Switch it on at the machine: Shelf → Home.</Notice>
      </Page>
    );
  return (
    <Page title="A private way in">
      <Panel>
        <p>
          Hyndle has a certificate of its own, made on the machine when it was first opened to the home. A device believes it once it trusts who made it: this
          home, and nobody else. It counts for addresses at home alone, never for a page of the world.
        </p>
        <div className="line">
          <Button type="primary" href="/join/authority">
            1. Get the certificate
          </Button>
          <Button href={`${secureUrl}/join`}>3. Join at {secureUrl.replace('https://', '')}</Button>
        </div>
        <p className="quiet">Between the two, say in the settings that it is trusted; the pictures show how. It is the right one when its SHA-256 reads:</p>
        <Typography.Text code style={{ overflowWrap: 'anywhere' }}>
          {fingerprint}
        </Typography.Text>
      </Panel>
      {WAYS.map((way) => (
        <Way key={way.title} {...way} />
      ))}
      <LinkButton href="/join" style={{ alignSelf: 'flex-start' }}>
        Back
      </LinkButton>
    </Page>
  );
}

interface WayToTrust {
  readonly title: string;
  readonly steps: readonly (readonly [heading: string, rows: readonly string[], tapped: number, words: string])[];
  readonly undo: string;
}

/** By what the device says, not by who made it. Common wording of settings, no source. */
const WAYS: readonly WayToTrust[] = [
  {
    title: 'A phone that says “profile downloaded”',
    steps: [
      ['Settings', ['Profile downloaded', 'Wi-Fi', 'Sounds'], 0, 'Open the settings and tap “Profile downloaded”, then “Install”.'],
      ['General', ['About', 'Keyboard', 'Certificate trust'], 2, 'Open General, About, “Certificate trust settings”.'],
      ['Certificate trust', ['Hyndle at home'], 0, 'Switch “Hyndle at home” on.'],
    ],
    undo: 'Settings, General, “VPN and device management”, Hyndle at home, Remove profile.',
  },
  {
    title: 'A phone that asks what the certificate is for',
    steps: [
      ['Security', ['Screen lock', 'More settings', 'Encryption'], 1, 'Open the settings, Security, “More settings” or “Encryption and credentials”.'],
      [
        'Install',
        ['CA certificate', 'VPN certificate', 'Wi-Fi certificate'],
        0,
        'Choose “Install a certificate”, then “CA certificate”, and “Install anyway”.',
      ],
      ['Downloads', ['hyndle-at-home.crt'], 0, 'Choose the file that was just fetched.'],
    ],
    undo: 'Settings, Security, “Trusted credentials”, User, Hyndle at home, Remove.',
  },
  {
    title: 'Another computer',
    steps: [
      ['Settings', ['Privacy', 'Security', 'Certificates'], 2, 'In the browser’s settings search for “certificates”.'],
      ['Authorities', ['Import …'], 0, 'Under “Authorities” choose “Import” and the file that was just fetched.'],
      ['Trust', ['To identify websites'], 0, 'Tick that it may identify websites, nothing else.'],
    ],
    undo: 'The same place: choose Hyndle at home and delete it.',
  },
];

function Way({ title, steps, undo }: WayToTrust) {
  return (
    <Panel title={`2. ${title}`}>
      <Flex component="ol" wrap gap={20}>
        {steps.map(([heading, rows, tapped, words]) => (
          <Flex component="li" vertical gap={6} key={words} style={{ width: 200 }}>
            <ScreenPicture heading={heading} rows={rows} tapped={tapped} />
            <p>{words}</p>
          </Flex>
        ))}
      </Flex>
      <p>
        <strong>To undo it:</strong> {undo}
      </p>
    </Panel>
  );
}
