import { people } from './sheets';
import { organisation } from './trees';
import { draw } from '../src/core/diagram';
const N = Number(process.argv[2]);
for (let r = 0; r < Number(process.argv[3]); r++) draw(people([...organisation(N, r).parent], 'A4'));
