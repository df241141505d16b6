import { createSocket } from 'node:dgram';
import { once } from 'node:events';
import { isIPv6 } from 'node:net';
import { decode, encode, type Answer } from 'dns-packet';

/** What a name server of the stand-in world knows of a name. */
export interface NameEntry {
  addresses: readonly string[];
  mail: readonly { priority: number; exchange: string }[];
  fails?: 'servfail' | 'nodata' | 'silent' | 'mail-servfail';
}

export interface NameServer {
  port: number;
  /** Every question that came, as `TYPE name`. */
  questions: readonly string[];
  stop(): Promise<void>;
}

/** RFC 1035, 4.1.1: the codes of an answer. */
const SERVFAIL = 2;
const NXDOMAIN = 3;

/** A name server on loopback: real DNS over UDP. `look` gives what there is of a name, `null` where there is no such name. */
export async function startNameServer(look: (name: string) => NameEntry | null): Promise<NameServer> {
  const socket = createSocket('udp4');
  const questions: string[] = [];
  socket.on('message', (message, from) => {
    const packet = decode(message);
    const question = packet.questions?.[0];
    if (!question) return;
    const name = question.name.toLowerCase();
    const { type } = question;
    questions.push(`${type} ${name}`);
    const entry = look(name);
    if (entry?.fails === 'silent') return;
    const fails = entry?.fails === 'servfail' || (entry?.fails === 'mail-servfail' && type === 'MX');
    const answers: Answer[] = !entry || fails || entry.fails === 'nodata' ? [] : answersTo(name, type, entry);
    const code = !entry ? NXDOMAIN : fails ? SERVFAIL : 0;
    const reply = encode({
      type: 'response',
      id: packet.id,
      flags: 0x8180 | code,
      questions: [question],
      answers,
    });
    socket.send(reply, from.port, from.address);
  });
  socket.bind(0, '127.0.0.1');
  await once(socket, 'listening');
  return {
    port: socket.address().port,
    questions,
    async stop() {
      socket.close();
      await once(socket, 'close');
    },
  };
}

function answersTo(name: string, type: string, { addresses, mail }: NameEntry): Answer[] {
  const ttl = 60;
  switch (type) {
    case 'A':
      return addresses.filter((one) => !isIPv6(one)).map((data) => ({ type: 'A', name, ttl, data }));
    case 'AAAA':
      return addresses.filter(isIPv6).map((data) => ({ type: 'AAAA', name, ttl, data }));
    case 'MX':
      return mail.map(({ priority, exchange }) => ({
        type: 'MX',
        name,
        ttl,
        data: { preference: priority, exchange: exchange === '' ? '.' : exchange },
      }));
    default:
      return [];
  }
}
