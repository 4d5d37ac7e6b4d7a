import { chromium } from '/work/main/node_modules/@playwright/test/index.mjs';
import { chromiumLaunch } from '/work/main/tests/chromium.ts';
// usage: shot.mts OUT PATH [w h scheme] [steps js]
const [out, path, w = '1280', h = '800', scheme = 'light', steps = ''] = process.argv.slice(2);
const browser = await chromium.launch(chromiumLaunch as any);
const page = await browser.newPage({ viewport: { width: +w, height: +h }, colorScheme: scheme as any });
page.on('console', m => { if (m.type() === 'error') console.log('CONSOLE', m.text().slice(0, 400)); });
page.on('pageerror', e => console.log('PAGEERROR', e.message.slice(0, 600)));
await page.goto('http://127.0.0.1:3111' + path);
await page.waitForTimeout(1800);
if (steps) await (new Function('page', `return (async()=>{${steps}})()`))(page);
await page.waitForTimeout(500);
await page.screenshot({ path: out });
await browser.close();
