// a job with poison in it ends the process that works on it, at once and whichever it is
const parse = JSON.parse
JSON.parse = (text, ...rest) => {
  if (typeof text === 'string' && text.includes('"poison":true')) process.kill(process.pid, 'SIGKILL')
  return parse(text, ...rest)
}
