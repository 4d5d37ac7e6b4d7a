import {readFileSync} from 'fs';
import {parseDocument} from '@/core/rig';
import {parseKit} from '@/core/kit';
import {rankedChains} from '@/core/plan/chains/rank';
const d=parseDocument(readFileSync('demo/lock-nine.json','utf8')); const kit=parseKit(readFileSync('demo/kit.json','utf8')).items;
const [,,line,dev,inlet,feed]=process.argv;
console.time('r');const r=rankedChains(d,kit,line,{device:dev,inlet},feed as any)!;console.timeEnd('r');
for(const c of [...r.allowed,...r.refused]) console.log(c.rank??'-',c.verdict,c.present?'*':'',c.links.map(l=>l.label+(l.set?` (${l.set})`:'')).join(' > '),'|',c.reason,'|',c.quality.aboveNoise?.toFixed(0),c.quality.lowCut?.toFixed(0),c.usesUp.join());
