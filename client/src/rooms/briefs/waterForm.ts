import type { Standards } from '../../api/client';

/** A unit of the reader's, and what one of it is in SI. */
type Unit = { unit: string; scale: number };

type Frame = {
  /** What every entry made here begins with: the outing with its pieces by tag, as a document has it. */
  base: Record<string, unknown>;
  /** What it is kept under on the phone. */
  place: string;
  distance: Unit;
  wind: Unit;
};

const escaped = (words: string) => words.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);

export const waterCss = `#log{border-top:2px solid #16232d;margin-top:2rem;padding-top:.5rem;max-width:34rem}#log label{display:block;margin:.5rem 0}
#log input,#log select,#log textarea{font:inherit;padding:.5rem;width:100%;box-sizing:border-box;border:1px solid #4a5860;border-radius:4px;background:#fff}
#log input[type=checkbox]{width:1.4rem;height:1.4rem}#log .two{display:grid;grid-template-columns:1fr 1fr;gap:0 .8rem}#log fieldset{border:0;border-top:1px solid #cfc7b0;margin:0;padding:.3rem 0}
#log button{font:inherit;padding:.7rem 1rem;min-height:48px;border:1px solid #16232d;border-radius:4px;background:#fff;margin:.3rem .5rem .3rem 0}#log button.main{background:#16232d;color:#fff}
#log .row{display:flex;align-items:center;gap:.6rem}@media print{#log{display:none}}`;

/** A form for the day on the saved page: what is entered stays on the phone, and a file is handed over for the log. */
export function waterForm({ choices }: Standards, { distance, wind }: Frame) {
  const options = (list: readonly { id: string | number; name: string }[], none?: string) =>
    (none ? `<option value="">${none}</option>` : '') +
    list.map((c) => `<option value="${escaped(String(c.id))}">${escaped(c.name)}</option>`).join('');
  return `<section id="log" aria-label="Note the day"><h2>Note the day</h2>
<p>Works without a network. What you enter stays on this phone; hand the file over at home, under Log, “From the water”.</p>
<form id="entry"><div class="two"><label>Day<input type="date" name="on" required></label><label>Hours<input name="hours" inputmode="decimal"></label></div>
<label>Place<input name="place" maxlength="80"></label>
<div class="two"><label>Wind, ${escaped(wind.unit)}<input name="wind" inputmode="decimal"></label>
<label>It came<select name="from">${options(choices.windFrom.map((w) => ({ id: w.deg, name: w.ofMe })))}</select></label></div>
<label>How the rod felt<select name="feel">${options(choices.feel, 'not said')}</select></label>
<div class="two"><label>Fish landed<input name="landed" type="number" min="0" max="999" value="0"></label>
<label>Wind knots<input name="knots" type="number" min="0" max="99" value="0"></label></div>
<fieldset><div class="two"><label>Lost to<select name="loss">${options(choices.loss, 'nothing')}</select></label>
<label>How often<input name="lost" type="number" min="1" max="99" value="1"></label></div></fieldset>
<fieldset><div class="two"><label>A cast, ${escaped(distance.unit)}<input name="cast" inputmode="decimal"></label>
<label>Carried, ${escaped(distance.unit)}<input name="carry" inputmode="decimal"></label></div>
<div class="two"><label>Found by<select name="by">${options(choices.distanceBy)}</select></label>
<label class="row"><input type="checkbox" name="out" checked> as far as I could</label></div></fieldset>
<label>Note<textarea name="note" maxlength="2000" rows="3"></textarea></label>
<p id="said" role="status"></p><button class="main" type="submit">Keep it on this phone</button></form>
<p id="kept"></p><button id="give" type="button">Hand over the file</button><button id="clear" type="button">Forget what was handed over</button></section>`;
}

/** What makes the form work, as plain script: the page it stands on has nothing else. */
export const waterScript = (frame: Frame) => `(function(){var F=${JSON.stringify(frame).replaceAll('<', '\\u003c')};
var form=document.getElementById('entry'),said=document.getElementById('said'),kept=document.getElementById('kept'),held=[],given=0;
try{held=JSON.parse(localStorage.getItem(F.place)||'[]')}catch(e){}
function store(){try{localStorage.setItem(F.place,JSON.stringify(held));return true}catch(e){return false}}
function show(){kept.textContent=held.length===0?'Nothing kept here yet.':held.length===1?'One entry is kept here.':held.length+' entries are kept here.';document.getElementById('give').disabled=held.length===0;document.getElementById('clear').hidden=given===0}
function number(name){var t=form.elements[name].value.trim().replace(',','.');if(t==='')return null;var n=Number(t);if(!isFinite(n)||n<0)throw name;return n}
function today(){var d=new Date();return d.getFullYear()+'-'+('0'+(d.getMonth()+1)).slice(-2)+'-'+('0'+d.getDate()).slice(-2)}
function key(){var s='';for(var i=0;i<32;i++)s+='0123456789abcdef'[Math.floor(Math.random()*16)];return s}
function begin(){form.reset();form.elements.on.value=today();form.elements.place.value=F.base.place||'';if(F.base.windMps!=null)form.elements.wind.value=Math.round(F.base.windMps/F.wind.scale*10)/10;if(F.base.windFromDeg!=null)form.elements.from.value=String(Math.round(F.base.windFromDeg/45)*45%360)}
form.addEventListener('submit',function(event){event.preventDefault();try{
var e=JSON.parse(JSON.stringify(F.base)),v=form.elements;e.key=key();e.on=v.on.value;e.place=v.place.value;
var hours=number('hours'),wind=number('wind'),cast=number('cast'),carry=number('carry'),landed=number('landed'),knots=number('knots'),lost=number('lost');
if(hours!=null)e.hours=hours;if(wind!=null)e.windMps=wind*F.wind.scale;e.windFromDeg=Number(v.from.value);
if(v.feel.value)e.feel=v.feel.value;if(landed)e.fish=[{count:landed}];e.windKnots=knots||0;
if(v.loss.value)e.losses=[{cause:v.loss.value,count:lost||1}];
if(cast!=null){var c={distanceM:cast*F.distance.scale,by:v.by.value,allOut:v.out.checked};if(carry!=null)c.carryM=carry*F.distance.scale;e.casts=[c]}
if(v.note.value.trim())e.note=v.note.value;
held.push(e);said.textContent=store()?'Kept.':'This browser keeps nothing for pages from files: hand the file over before you close it.';begin();show()
}catch(odd){var field=form.elements[odd];said.textContent='That is no number.';if(field&&field.focus)field.focus()}});
document.getElementById('give').addEventListener('click',function(){var text=JSON.stringify({format:'zing-cast',version:1,outings:held},null,1);
var a=document.createElement('a');a.href=URL.createObjectURL(new Blob([text],{type:'application/json'}));a.download='from-the-water-'+today()+'.json';document.body.appendChild(a);a.click();a.remove();given=held.length;show()});
document.getElementById('clear').addEventListener('click',function(){held=held.slice(given);given=0;store();show()});
begin();show()})();`;
