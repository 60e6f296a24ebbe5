import { spawn, type ChildProcess } from 'node:child_process';
import { request, type IncomingHttpHeaders } from 'node:http';
import { createServer } from 'node:net';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('..', import.meta.url));

function freePort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => resolve(port));
    });
  });
}

/** The built application, as bin/start runs it, on a port of its own that it keeps when it is started again. */
export class Server {
  private child: ChildProcess | null = null;
  private constructor(
    readonly port: number,
    private readonly settings: Readonly<Record<string, string>>,
  ) {}

  /** `settings`: further variables of the environment. */
  static async start(settings: Readonly<Record<string, string>> = {}): Promise<Server> {
    const server = new Server(await freePort(), settings);
    await server.run();
    return server;
  }

  get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  /** A request as it stands, which no browser would send: any method, host and path. */
  raw(
    path: string,
    { method = 'GET', headers = {}, body = '' }: { method?: string; headers?: Record<string, string>; body?: string },
  ): Promise<{ status: number; headers: IncomingHttpHeaders }> {
    return new Promise((resolve, reject) => {
      const sent = request({ host: '127.0.0.1', port: this.port, path, method, headers }, (answer) => {
        answer.resume();
        answer.on('end', () => resolve({ status: answer.statusCode ?? 0, headers: answer.headers }));
        answer.on('error', reject);
      });
      // A door that closes early may break the line after it has answered.
      sent.on('error', reject);
      sent.end(body);
    });
  }

  async run(): Promise<void> {
    const env = {
      ...process.env,
      DATABASE_URL: process.env.TEST_DATABASE_URL,
      HOST: '127.0.0.1',
      PORT: String(this.port),
      NODE_ENV: 'production',
      DENDROTAX_ACCOUNTS_AN_HOUR: '100000',
      ...this.settings,
    };
    this.child = spawn('node', ['scripts/server.mjs', '.test/dist'], {
      cwd: root,
      env,
      stdio: ['ignore', 'ignore', 'inherit'],
    });
    for (let tries = 0; tries < 150; tries++) {
      const up = await fetch(`${this.address}/api/health`).then(
        (answer) => answer.ok,
        () => false,
      );
      if (up) return;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    throw new Error('The server did not start.');
  }

  /** Ends the process at once, as a crash would. */
  async kill(signal: 'SIGKILL' | 'SIGTERM' = 'SIGKILL'): Promise<void> {
    const { child } = this;
    if (!child) return;
    this.child = null;
    const ended = new Promise((resolve) => child.once('exit', resolve));
    child.kill(signal);
    await ended;
  }
}
