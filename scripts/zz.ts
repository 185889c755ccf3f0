import { chromium } from '@playwright/test';
const url='http://127.0.0.1:3000';
const b=await chromium.launch({executablePath:'/usr/bin/chromium',args:['--no-sandbox','--disable-gpu','--disable-background-networking','--disable-sync','--autoplay-policy=no-user-gesture-required']});
const c=await b.newContext({viewport:{width:1280,height:800}}); const p=await c.newPage();
const shot=async(n:string)=>{ await p.waitForTimeout(300); await p.screenshot({path:`/tmp/shots/${n}.png`}); };
p.on('pageerror',e=>console.log('ERR',e.message));
await p.goto(url+'/sign-in'); await p.getByRole('button',{name:'Enter the demo studio'}).click(); await p.getByRole('heading',{name:'Today'}).waitFor();
await p.goto(url+'/classes'); await p.getByRole('link',{name:/Soft face before the night shift/}).click(); await p.getByText('Speech measured').waitFor();
// draft with notes
await p.getByText('More',{exact:true}).click(); await p.getByRole('button',{name:'Draft a class for me'}).click();
await p.getByLabel('Skin').last().selectOption({index:0}); await p.getByRole('button',{name:'Draft it'}).click(); await p.getByRole('button',{name:'Take this draft'}).waitFor(); await p.waitForTimeout(2500); await shot('draft'); await p.keyboard.press('Escape');
// fit
await p.getByRole('button',{name:/^Fit to/}).first().click(); await p.getByRole('button',{name:'Make these changes'}).waitFor({timeout:20000}).catch(()=>{}); await shot('fit'); await p.keyboard.press('Escape');
// repair: press release
await p.getByRole('button',{name:/\d+ more$/}).first().click(); await p.locator('[data-check="person-release"] button').last().click(); await p.waitForTimeout(800); await shot('repaired'); await p.keyboard.press('Control+z');
// lead
await p.getByRole('link',{name:/Lead class/}).or(p.getByRole('button',{name:/Lead class/})).click(); await p.getByRole('button',{name:'Start the class'}).waitFor(); await p.waitForTimeout(3000);
await shot('before-start');
await p.getByRole('button',{name:'Start the class'}).click(); await p.waitForTimeout(2500);
// jump to chin over shoulder work by ribbon then next to right
await p.getByRole('button',{name:/^Chin over the shoulder, /}).first().click(); await p.waitForTimeout(300); await p.keyboard.press('ArrowRight'); await p.waitForTimeout(2600); await p.keyboard.press('ArrowRight'); await p.keyboard.press('ArrowRight'); await p.waitForTimeout(800);
await shot('right'); await p.keyboard.press('+'); await shot('right-longer'); await p.keyboard.press('ArrowRight'); await shot('even-switch'); await p.keyboard.press('ArrowRight'); await p.waitForTimeout(1200); await shot('even-left');
await p.getByRole('button',{name:/^Smile pulses, /}).first().click(); await p.waitForTimeout(500); await shot('letgo');
await p.waitForTimeout(3000); await p.keyboard.press('ArrowRight'); await p.keyboard.press('ArrowRight'); await shot('release');
await p.keyboard.press('r'); await p.waitForTimeout(300);
await p.keyboard.press('t'); await p.waitForTimeout(2000); await shot('catchup');
await b.close();
