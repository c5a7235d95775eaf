/**
 * What runs in a carried file: one step a screen, ticks kept in the browser where it can and in the
 * copy that is saved. Plain, for whatever browser a phone has; the mark is that of markOf.ts.
 */
export const carriedScript = `
(function () {
  var box = document.getElementById('numeron-ticks')
  var data = JSON.parse(box.textContent)
  var plan = JSON.parse(document.getElementById('numeron-plan').textContent)
  var place = 'numeron-' + data.plan + '-' + data.made
  var by = function (id) { return document.getElementById(id) }
  try {
    var kept = JSON.parse(localStorage.getItem(place) || 'null')
    if (kept && kept.length >= data.ticks.length) data.ticks = kept
  } catch (e) { /* a browser may keep nothing for a file: the copy that is saved does */ }
  var at = 0
  var words = { open: 'Done', done: 'Done \\u2713', skipped: 'Skipped', failed: 'Not so' }
  function tickOf(step) {
    for (var i = 0; i < data.ticks.length; i++) if (data.ticks[i].step === step) return data.ticks[i]
    return null
  }
  function stateOf(step) { var t = tickOf(step) || plan[step]; return t ? t.state : 'open' }
  function noteOf(step) { var t = tickOf(step) || plan[step]; return (t && t.note) || '' }
  function two(n) { return (n < 10 ? '0' : '') + n }
  function today() {
    var now = new Date()
    return now.getFullYear() + '-' + two(now.getMonth() + 1) + '-' + two(now.getDate())
  }
  function mark(text) {
    var hash = 0x811c9dc5
    for (var i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193) >>> 0
    return hash.toString(36)
  }
  function say(change) {
    var step = data.steps[at]
    var tick = tickOf(step)
    if (!tick) {
      tick = { step: step, state: stateOf(step), day: '', who: '', note: noteOf(step), measured: '' }
      data.ticks.push(tick)
    }
    for (var key in change) tick[key] = change[key]
    tick.day = today()
    try { localStorage.setItem(place, JSON.stringify(data.ticks)) } catch (e) { /* see above */ }
    show()
  }
  function show() {
    var step = data.steps[at]
    var all = document.querySelectorAll('article')
    for (var i = 0; i < all.length; i++) all[i].className = all[i].id === step ? 'now' : ''
    by('done').textContent = words[stateOf(step)]
    by('back').disabled = at === 0
    by('next').disabled = at === data.steps.length - 1
    by('note').value = noteOf(step)
    by('measured').value = (tickOf(step) || {}).measured || ''
    by('where').value = String(at)
    var n = data.ticks.length
    by('kept').textContent = n === 0
      ? 'Nothing was said in this file yet.'
      : (n === 1 ? '1 step was' : n + ' steps were') + ' changed here. Save a copy, and read it back into the plan.'
    var options = by('where').options
    for (var o = 0; o < options.length; o++) options[o].textContent =
      (stateOf(data.steps[o]) === 'open' ? '' : '\\u2713 ') + (o + 1) + ' ' + data.steps[o]
  }
  function go(to) { at = Math.max(0, Math.min(data.steps.length - 1, to)); show(); scrollTo(0, 0) }
  function toggle(state) {
    var step = data.steps[at]
    var isIt = stateOf(step) === state
    say({ state: isIt ? 'open' : state })
    if (!isIt && state === 'done') go(at + 1)
  }
  // A copy was saved with its list of steps.
  by('where').textContent = ''
  data.steps.forEach(function (step, index) {
    var option = document.createElement('option')
    option.value = String(index)
    by('where').appendChild(option)
  })
  by('where').onchange = function () { go(Number(by('where').value)) }
  by('done').onclick = function () { toggle(stateOf(data.steps[at]) === 'open' ? 'done' : stateOf(data.steps[at])) }
  by('skipped').onclick = function () { toggle('skipped') }
  by('failed').onclick = function () { toggle('failed') }
  by('back').onclick = function () { go(at - 1) }
  by('next').onclick = function () { go(at + 1) }
  by('note').onchange = function () { say({ note: by('note').value }) }
  by('measured').onchange = function () { say({ measured: by('measured').value }) }
  by('save').onclick = function () {
    var rest = {}
    for (var key in data) if (key !== 'mark') rest[key] = data[key]
    rest.mark = mark(JSON.stringify(rest))
    box.textContent = JSON.stringify(rest).replace(/</g, '\\\\u003c')
    var text = '<!doctype html>\\n' + document.documentElement.outerHTML + '\\n'
    var link = document.createElement('a')
    link.href = URL.createObjectURL(new Blob([text], { type: 'text/html' }))
    link.download = 'run-book.html'
    link.click()
  }
  if (navigator.wakeLock) navigator.wakeLock.request('screen').catch(function () {})
  var first = data.steps.findIndex(function (step) { return stateOf(step) === 'open' })
  go(first < 0 ? 0 : first)
})()
`.trim()
