import { measureSheets } from './sheets';
for (const l of measureSheets()) console.log(l);
