import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';

/** A package that ships with the application, and under what licence. */
export interface Licence {
  readonly name: string;
  readonly version: string;
  readonly licence: string;
  /** The whole text, or that the package has none beside its name. */
  readonly text: string;
}

interface Package {
  readonly name?: string;
  readonly version?: string;
  readonly license?: string | { readonly type?: string };
  readonly dependencies?: Readonly<Record<string, string>>;
  readonly optionalDependencies?: Readonly<Record<string, string>>;
}

const readPackage = (folder: string): Package =>
  JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8')) as Package;

/** Where a package that one in `from` asks for is installed; null where it is not, as builds for other machines. */
function folderOf(name: string, from: string): string | null {
  for (let at = from; ; at = dirname(at)) {
    const found = join(at, 'node_modules', name);
    if (existsSync(join(found, 'package.json'))) return found;
    if (dirname(at) === at) return null;
  }
}

/** All packages that the application needs when it runs, fonts among them, with the texts of their licences; read when it is built. */
export function licencesOf(root: string): Licence[] {
  const found = new Map<string, Licence>();
  const seen = new Set<string>();
  const waiting = [root];
  for (let folder = waiting.pop(); folder !== undefined; folder = waiting.pop()) {
    if (seen.has(folder)) continue;
    seen.add(folder);
    const { name = '', version = '', license, dependencies = {}, optionalDependencies = {} } = readPackage(folder);
    for (const needed of Object.keys({ ...dependencies, ...optionalDependencies })) {
      const where = folderOf(needed, folder);
      if (where) waiting.push(where);
    }
    if (folder === root) continue;
    const file = readdirSync(folder).find((one) => /^(licen[cs]e|copying|ofl)/i.test(one));
    const text = file ? readFileSync(join(folder, file), 'utf8').trim() : '';
    const licence = (typeof license === 'string' ? license : license?.type) ?? 'see its text';
    found.set(`${name}@${version}`, { name, version, licence, text: text || `Under ${licence}.` });
  }
  return [...found.values()].sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : 0));
}
