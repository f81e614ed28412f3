import { unflatten } from 'devalue';
import { school } from '../../app/src/lib/server/demo/school.ts';

/** Somebody with a session of their own, who asks the web app what pages ask it. */
export class Visitor {
  readonly #origin: string;
  readonly #cookie: string;

  private constructor(origin: string, cookie: string) {
    this.#origin = origin;
    this.#cookie = cookie;
  }

  /** Signs in with what a form of the sign-in page holds. */
  static async signIn(origin: string, form: Record<string, string>): Promise<Visitor> {
    const answer = await fetch(`${origin}/sign-in?/${form.email ? 'staff' : 'student'}`, {
      method: 'POST',
      headers: { origin, accept: 'application/json' },
      body: new URLSearchParams(form),
      redirect: 'manual',
    });
    const cookies = answer.headers.getSetCookie().map((each) => each.split(';')[0]);
    if (cookies.length === 0) throw new Error(`${form.name ?? form.email} was not signed in.`);
    return new Visitor(origin, cookies.join('; '));
  }

  /** Sends a form's action; returns where it leads, if anywhere. */
  async act(
    path: string,
    form: Readonly<Record<string, string | readonly string[]>>,
  ): Promise<string | undefined> {
    const answer = await this.#fetch(path, {
      method: 'POST',
      headers: { accept: 'application/json' },
      body: new URLSearchParams(
        Object.entries(form).flatMap(([name, value]) => [value].flat().map((each) => [name, each])),
      ),
    });
    const result = (await answer.json()) as { type: string; location?: string };
    if (result.type !== 'success' && result.type !== 'redirect')
      throw new Error(`${path}: ${JSON.stringify(result)}`);
    return result.location;
  }

  /** Sends a file; whatever is answered. */
  async send(path: string, name: string, bytes: Uint8Array<ArrayBuffer>): Promise<Response> {
    const headers = { 'content-type': 'application/octet-stream', 'file-name': encodeURIComponent(name) };
    return this.#fetch(path, { method: 'POST', headers, body: bytes });
  }

  async put(path: string, data: unknown): Promise<Response> {
    return this.#fetch(path, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(data),
    });
  }

  /** What a page's server part hands it. */
  async load<T>(path: string): Promise<T> {
    const answer = await this.#fetch(`${path}/__data.json`, {});
    const { nodes } = (await answer.json()) as { nodes: ({ type: string; data?: unknown[] } | null)[] };
    return unflatten(nodes.at(-1)!.data!) as T;
  }

  /** Fetches something as it is, such as a picture; throws when there is none. */
  async get(path: string): Promise<Uint8Array> {
    const answer = await this.#fetch(path, {});
    const bytes = new Uint8Array(await answer.arrayBuffer());
    if (!answer.ok) throw new Error(`${path} answered ${answer.status}.`);
    return bytes;
  }

  /** Hears of every piece of news of a topic until `stop` is called off. */
  async follow(topic: string, stop: AbortSignal, hear: () => void): Promise<void> {
    const answer = await this.#fetch(`/live?topic=${encodeURIComponent(topic)}`, { signal: stop });
    const read = async () => {
      for await (const piece of answer.body!) if (Buffer.from(piece).includes('data:')) hear();
    };
    read().catch((problem: unknown) => {
      if (!stop.aborted) throw problem;
    });
  }

  async #fetch(path: string, init: RequestInit): Promise<Response> {
    const headers = { cookie: this.#cookie, origin: this.#origin, ...init.headers };
    return fetch(this.#origin + path, { ...init, headers });
  }
}

/** A class of students with a project each for one brief, and their teacher. */
export interface Classroom {
  readonly teacher: Visitor;
  readonly classId: string;
  readonly briefId: string;
  readonly students: readonly { readonly visitor: Visitor; readonly projectId: string }[];
}

/** Sets up a class of so many students the way a teacher does. */
export async function setUpClass(origin: string, size: number): Promise<Classroom> {
  const { email, password } = school.teacher;
  const teacher = await Visitor.signIn(origin, { email, password });
  const people = (await teacher.act('/class?/create', { name: 'Year 8, Swift group' }))!;
  const pinOf = (i: number) => String(730_164 + 7 * i);
  const list = Array.from({ length: size }, (_, i) => `Student ${i + 1}\tstudent${i + 1}\t${pinOf(i)}`);
  await teacher.act(`${people}?/add`, { list: list.join('\n') });
  const { group } = await teacher.load<{ group: { id: string; code: string } }>(people);
  const brief = (await teacher.act(`/class/${group.id}?/brief`, {}))!;
  const briefId = brief.split('/').at(-1)!;
  const { draft } = await teacher.load<{ draft: object }>(`/brief/${briefId}`);
  await teacher.act(`/brief/${briefId}?/save`, {
    draft: JSON.stringify({ ...draft, title: 'Seed-tray labels' }),
  });
  const students = [];
  for (let i = 0; i < size; i++) {
    const form = { code: group.code, name: `student${i + 1}`, pin: pinOf(i) };
    const visitor = await Visitor.signIn(origin, form);
    const bench = (await visitor.act('/home?/open', { brief: briefId }))!;
    students.push({ visitor, projectId: bench.split('/').at(-1)! });
  }
  return { teacher, classId: group.id, briefId, students };
}
