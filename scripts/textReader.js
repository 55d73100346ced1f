// The reader of print, as a worker. What its picture library finds odd in a picture it says aloud, though it
// reads on all the same: that is nobody's fault, and would hide what is one.
const ODD_PICTURE = /^Error in (?:box|pix|numa|ptr)/;
const say = console.error;
console.error = (...words) => {
  if (!ODD_PICTURE.test(String(words[0]))) say(...words);
};
self.importScripts('/vision/worker.min.js');
