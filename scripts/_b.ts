import { chromium } from '@playwright/test';
import { chromiumLaunch } from '../tests/chromium';
(async()=>{const b=await chromium.launch(chromiumLaunch);const p=await b.newPage();p.on('console',m=>console.log(m.text()));p.on('pageerror',e=>console.log('ERR',e.message));p.on('requestfailed',r=>console.log('FAIL',r.url()));
await p.goto('http://127.0.0.1:3200/plan');await p.waitForTimeout(1500);await p.getByRole('button').click();for(let i=0;i<14;i++){await p.waitForTimeout(1500);console.log((await p.locator('pre').textContent())?.slice(0,160))}await b.close()})();
