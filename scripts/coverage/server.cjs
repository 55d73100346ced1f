// Loaded into the server where coverage is counted: writes down what ran when it is asked to, since it is killed and not ended.
const { takeCoverage } = require('node:v8');

process.on('message', (message) => {
  if (message !== 'coverage') return;
  takeCoverage();
  process.send('coverage');
});
process.channel?.unref();
