import { chromium } from '@playwright/test';
import { readFileSync } from 'node:fs';
const site = JSON.parse(readFileSync('demo/quillmere.site.json','utf8'));
const pin=(id:string)=>site.people.find((p:any)=>p.id===id).pin;
async function main(){
 const browser = await chromium.launch({executablePath:'/usr/bin/chromium',args:['--no-sandbox','--disable-gpu','--disable-dev-shm-usage']});
 const page = await browser.newPage({viewport:{width:1280,height:800}});
 const as=async(id:string)=>{ const a=await page.request.post('http://localhost:3300/api/session',{data:{person:id,pin:pin(id)}}); if(!a.ok()) console.log(await a.text()); };
 await as('ada');
 const t=Date.now();
 await page.goto('http://localhost:3300/jobs/J-0001');
 await page.getByRole('button',{name:'Compute the isolation'}).click();
 await page.getByRole('button',{name:/Take fewest points/}).waitFor({timeout:60000}); console.log('three answers', Date.now()-t);
 await page.getByRole('button',{name:/Take least effort/}).click();
 await page.waitForTimeout(3000);
 await page.getByText('Why it is there').evaluate(e=>e.scrollIntoView({block:'start'})); await page.evaluate(()=>window.scrollBy(0,-110));
 await page.screenshot({path:'/tmp/l2.png'});
 await as('uma');
 await page.goto('http://localhost:3300/rules'); await page.waitForTimeout(1000);
 await page.locator('[data-value="grade-school"]').evaluate(e=>e.scrollIntoView({block:'start'})); await page.evaluate(()=>window.scrollBy(0,-110));
 await page.screenshot({path:'/tmp/l3.png'});
 await page.locator('[data-value="never-barriers"]').evaluate(e=>e.scrollIntoView({block:'center'}));
 await page.screenshot({path:'/tmp/l4.png'});
 // which job has see-open
 for (let n=1;n<=12;n++){ await page.goto(`http://localhost:3300/jobs/J-00${String(n).padStart(2,'0')}`); const c=await page.locator('[data-step="see-open"]').count(); if(c) console.log('see-open in', n, c); }
 await browser.close();
}
main();
