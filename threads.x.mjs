import { chromium } from '@playwright/test';
import { readdirSync, readFileSync } from 'node:fs';
const args=['--no-sandbox','--disable-gpu','--disable-quic','--no-first-run','--disable-background-networking','--disable-component-update','--disable-sync','--js-flags=--invocation-count-for-maglev=5000,--min-semi-space-size=16',...process.argv.slice(3)];
function snap(){const m={};for(const p of readdirSync('/proc')){if(!/^\d+$/.test(p))continue;try{const cmd=readFileSync(`/proc/${p}/cmdline`,'utf8');if(!cmd.includes('chromium')&&!cmd.includes('headless'))continue;const type=cmd.match(/--type=([\w-]+)/)?.[1]??'browser';for(const t of readdirSync(`/proc/${p}/task`)){const s=readFileSync(`/proc/${p}/task/${t}/stat`,'utf8');const name=s.slice(s.indexOf('(')+1,s.lastIndexOf(')'));const f=s.slice(s.lastIndexOf(')')+2).split(' ');m[`${p}/${t}`]=[type+':'+name,(+f[11])+(+f[12])];}}catch{}}return m;}
const b=await chromium.launch({executablePath:'/usr/bin/chromium-headless-shell',args});
for(const path of process.argv[2].split(',')){
const tot={};const N=6;
for(let i=0;i<N;i++){const ctx=await b.newContext({viewport:{width:1280,height:800}});const page=await ctx.newPage();const c=snap();await page.goto('http://127.0.0.1:3303'+path);await page.waitForFunction(()=>!document.querySelector('[data-place="drawn"]'));await page.waitForTimeout(1200);const d=snap();for(const k in d){const v=d[k][1]-(c[k]?.[1]??0);tot[d[k][0].replace(/\d+$/,'')]=(tot[d[k][0].replace(/\d+$/,'')]??0)+v/100/N;}await ctx.close();}
console.log(path,Object.values(tot).reduce((a,b)=>a+b,0).toFixed(2),Object.entries(tot).filter(e=>e[1]>.03).sort((a,b)=>b[1]-a[1]).map(e=>e[0]+' '+e[1].toFixed(2)).join(', '));
}
await b.close();
