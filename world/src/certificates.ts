import { generate } from 'selfsigned';
import type { Site, TlsState } from './site.js';

export interface Certificate {
  key: string;
  cert: string;
}

/** The certificates of the stand-in world: who signs them, one for all sites in order, and one for each that is not. */
export interface Certificates {
  /** PEM of who signs. */
  authority: string;
  ordinary: Certificate;
  faulty: ReadonlyMap<TlsState, Certificate>;
}

const DAY = 86_400_000;
const KEYS = { keyType: 'ec', algorithm: 'sha256' } as const;

const named = (value: string) => [{ name: 'commonName', value }];
const forNames = (names: readonly string[]) => ({
  extensions: [
    { name: 'basicConstraints' as const, cA: false },
    { name: 'subjectAltName' as const, altNames: names.map((value) => ({ type: 2 as const, value })) },
  ],
});

async function authority(name: string): Promise<Certificate> {
  const { private: key, cert } = await generate(named(name), {
    ...KEYS,
    notAfterDate: new Date(Date.now() + 3650 * DAY),
    extensions: [{ name: 'basicConstraints', cA: true }],
  });
  return { key, cert };
}

/** Makes every certificate that these sites need. */
export async function certificatesFor(sites: readonly Site[]): Promise<Certificates> {
  const signs = await authority('Vennet stand-in world');
  const inForce = {
    notBeforeDate: new Date(Date.now() - DAY),
    notAfterDate: new Date(Date.now() + 365 * DAY),
  };
  const issue = async (
    names: readonly string[],
    dates: object,
    ca: Certificate | null = signs,
  ): Promise<Certificate> => {
    const { private: key, cert } = await generate(named(names[0] ?? 'nobody.example'), {
      ...KEYS,
      ...dates,
      ...forNames(names),
      ...(ca ? { ca } : {}),
    });
    return { key, cert };
  };
  const of = (state: TlsState) => sites.filter(({ tls }) => tls === state).map(({ name }) => name);
  const faulty = new Map<TlsState, Certificate>();
  const make = async (state: TlsState, work: (names: string[]) => Promise<Certificate>) => {
    const names = of(state);
    if (names.length > 0) faulty.set(state, await work(names));
  };
  await make('expired', (names) =>
    issue(names, {
      notBeforeDate: new Date(Date.now() - 60 * DAY),
      notAfterDate: new Date(Date.now() - DAY),
    }),
  );
  await make('not-yet-valid', (names) =>
    issue(names, {
      notBeforeDate: new Date(Date.now() + 30 * DAY),
      notAfterDate: new Date(Date.now() + 90 * DAY),
    }),
  );
  await make('other-name', () => issue(['another-name.example'], inForce));
  await make('self-signed', (names) => issue(names, inForce, null));
  await make('unknown-issuer', async (names) => issue(names, inForce, await authority('Somebody unknown')));
  const ordinary = sites.filter(({ tls }) => !tls || !faulty.has(tls)).map(({ name }) => name);
  return {
    authority: signs.cert,
    ordinary: await issue(ordinary.length > 0 ? ordinary : ['nobody.example'], inForce),
    faulty,
  };
}
