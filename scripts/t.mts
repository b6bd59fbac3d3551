import { demoJob } from '../core/testing/jobs';
import { assess } from '../core/house/assess';
const j=demoJob('proving-cabinet');
console.log(assess(j).findings.filter(f=>f.room==='routine').map(f=>f.id+':'+f.verdict+' '+f.title));
