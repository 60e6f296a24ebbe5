import { people } from './sheets';
import { organisation } from './trees';
import { drawSet } from '../src/core/diagram';
import { formats } from '../src/export/formats';
import { writeFileSync } from 'fs';
for (const [n,seed] of [[1000,1000],[300,300],[1000,3]] as const) {
const d=people([...organisation(n,seed).parent],'A4');
const t=performance.now();
const set=drawSet(d,8)!;
console.log(n, set.sheets.length, 'print', set.print.toFixed(2), (performance.now()-t).toFixed(0)+'ms', set.sheets.map(s=>s.scene.groups.filter(g=>g.stands.for==='entry').length+'@'+(s.scene.smallestText!*.75).toFixed(1)).join(' '));
if (seed===1000) for (const k of [0,1,5]) writeFileSync(`/tmp/set${k}.png`, await formats.png.write(d,()=>set.sheets[k]!.scene,{images:new Map(),dotsPerInch:80}) as Uint8Array);
}
