import { type Request, type RequestHandler, type Response } from 'express';
import forge from 'node-forge';
import { type Certificate, fingerprintOf } from './certificates.ts';

export const TRUST_PATH = '/trust';
const CERTIFICATE_PATH = `${TRUST_PATH}/kleur-root.crt`;

const HOW: readonly (readonly [string, readonly string[]])[] = [
  [
    'iPad and iPhone',
    [
      'Open the certificate above in Safari and allow the profile to be loaded.',
      'Settings → General → VPN & Device Management → Kleur → Install.',
      'Settings → General → About → Certificate Trust Settings: switch Kleur on.',
    ],
  ],
  [
    'Android',
    [
      'Load the certificate above.',
      'Settings → Security → More → Encryption & credentials → Install a certificate → CA certificate, and choose the file. Where these stand differs by maker: search the settings for “certificate”.',
    ],
  ],
  [
    'Windows',
    [
      'Open the file → Install certificate → Current user → Place in the following store → Trusted Root Certification Authorities.',
    ],
  ],
  ['macOS', ['Open the file: Keychain Access takes it. Open it there → Trust → Always trust.']],
  ['Linux', ['In the browser: Settings → Certificates → Authorities → Import, and trust it for websites.']],
];

/** Tells how a device comes to trust this machine, and hands out the root. Open to everybody: it holds nothing secret. */
export function trustPage(root: Certificate): RequestHandler {
  const page = pageOf(fingerprintOf(root));
  const der = Buffer.from(
    forge.asn1.toDer(forge.pki.certificateToAsn1(forge.pki.certificateFromPem(root.cert))).getBytes(),
    'binary',
  );
  return (request: Request, response: Response, next): void => {
    if (request.method !== 'GET') next();
    else if (request.path === TRUST_PATH) response.type('html').set('Cache-Control', 'no-store').send(page);
    else if (request.path === CERTIFICATE_PATH)
      response.type('application/x-x509-ca-cert').set('Cache-Control', 'no-store').send(der);
    else next();
  };
}

const pageOf = (fingerprint: string): string => `<!doctype html>
<html lang="en">
<head>
<meta charset="UTF-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Trust Kleur on this device</title>
<style>
body { margin: 0 auto; padding: 24px; max-width: 44rem; font: 18px/1.5 system-ui, sans-serif; color: #1d1d1d; background: #e4e4e4; }
a.act { display: inline-block; min-height: 48px; padding: 12px 20px; background: #2a2a2a; color: #fff; text-decoration: none; }
code { overflow-wrap: anywhere; font-size: 16px; }
section { background: #f0f0f0; padding: 4px 20px 12px; margin-top: 12px; }
</style>
</head>
<body>
<h1>Trust Kleur on this device</h1>
<p>Once, and only on devices of your own. Then Kleur can be installed here, opens without the server, and keeps the screen awake. Without it Kleur works too, as long as the server is reached and its page stays open.</p>
<p><a class="act" href="${CERTIFICATE_PATH}">Load the certificate</a></p>
<p>Compare before you trust it. The terminal in which Kleur was started shows the same fingerprint:</p>
<p><code>${fingerprint}</code></p>
${HOW.map(([name, steps]) => `<section><h2>${name}</h2><ol>${steps.map((s) => `<li>${s}</li>`).join('')}</ol></section>`).join('\n')}
<p><a href="/">Go to Kleur</a></p>
</body>
</html>
`;
