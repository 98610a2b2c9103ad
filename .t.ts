import { shipped } from './knowledge/index';
import { practice } from './knowledge/vignettes/practice';
import { worked } from './knowledge/vignettes/worked';
import { heldOut } from './knowledge/vignettes/held-out';
import { Engine, putField } from './bench/trust/put';
import { putTold, asField } from './bench/trust/told';
import { faultsIn } from './core/diagnose/check';
console.log(faultsIn(shipped).join('\n'));
const e=new Engine(shipped);
for(const [n,l] of [['practice',practice],['worked',worked.map(asField)],['held',heldOut.map(asField)]] as const){
 const r=putTold(l,e); console.log(n, r.filter(x=>!x.faults.length).length,'/',r.length);
 for(const x of r) if(x.faults.length){ const c=l.find(y=>y.id===x.id)!; const a=e.answer(putField(c,shipped)); console.log('-',x.id,x.faults.join('; '),'|',a.candidates.slice(0,4).map(y=>y.id+' '+y.p.toFixed(2)).join(', '),'|',a.result.reasons.map(y=>y.id).join(','),'|',a.result.certainty)}
}
