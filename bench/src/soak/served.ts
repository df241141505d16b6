import { fork, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

/** A server in a process of its own. */
export interface Served {
  address: string;
  child: ChildProcess;
  /** The process of its database. */
  database: number;
}

/** Starts a server on a folder of data, with a heap of so many MB, and with a world that answers on a port. */
export async function serve(directory: string, heap = 768, worldPort = 0): Promise<Served> {
  const child = fork(fileURLToPath(new URL('./server.process.js', import.meta.url)), [directory], {
    execArgv: [`--max-old-space-size=${heap}`],
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    env: { ...process.env, VENNET_SOAK_WORLD: String(worldPort) },
  });
  const [{ address, database }] = (await once(child, 'message')) as [{ address: string; database: number }];
  return { address, child, database };
}

/** Ends a server as it ends by itself. */
export async function end({ child }: Served): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null) return;
  const exit = once(child, 'exit');
  child.disconnect();
  await exit;
}

/** What a process holds of the machine's memory, in MB. */
export function memoryOf(pid: number): number {
  try {
    return Number(/^VmRSS:\s+(\d+) kB$/m.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024;
  } catch {
    return 0;
  }
}
