import { chromium } from '@playwright/test';
import { chromiumLaunch } from '../tests/chromium';
const [,,name,tab,w='1280',h='800',scheme='light',rig='lock-nine',scroll='0']=process.argv;
(async()=>{const b=await chromium.launch(chromiumLaunch);const p=await b.newPage({viewport:{width:+w,height:+h},colorScheme:scheme as any});p.on('console',m=>m.type()==='error'&&console.log(m.text()));p.on('pageerror',e=>console.log('ERR',e.message));
await p.goto('http://127.0.0.1:3200/plan?rig='+rig);await p.waitForTimeout(1200);
if(tab==='plan'){await p.getByRole('button',{name:'Plan the patch'}).click();await p.getByRole('button',{name:/^Accept/}).waitFor({timeout:60000}).catch(()=>{});}
else if(tab==='running'){await p.getByRole('button',{name:'Plan the patch'}).click();await p.waitForTimeout(4500);}
else if(tab&&tab!=='patch') {await p.getByRole('tab',{name:tab}).click();await p.waitForTimeout(2500);}
if(+scroll) await p.locator('[role=tabpanel]').evaluate((e,y)=>{e.scrollTop=y;window.scrollTo(0,y)},+scroll);
await p.waitForTimeout(500);await p.screenshot({path:`/tmp/${name}.png`});await b.close()})();
