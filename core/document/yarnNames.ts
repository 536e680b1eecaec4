/** Names of yarns within a hem. */
import { yarnOf, type Hem } from './hem.ts';

/** The name of a yarn, without what all of the basket have before a comma: of “Tarn worsted, Slate” it is “Slate”. */
export function shortYarnName(hem: Hem, id: string): string {
  const [before, after] = namesOf(yarnOf(hem, id).name);
  return after !== undefined && hem.yarns.every((y) => namesOf(y.name)[0] === before)
    ? after
    : [before, after].filter(Boolean).join(', ');
}

/** Parts of a name before the first comma and after it. */
function namesOf(name: string): readonly [string, string?] {
  const at = name.indexOf(', ');
  return at < 0 ? [name] : [name.slice(0, at), name.slice(at + 2)];
}
