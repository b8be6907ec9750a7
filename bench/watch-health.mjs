// Asks a server for its health every 20 ms for some seconds; prints the times in ms. A process of its own,
// so that what makes the load does not hold it up.
const [url, seconds] = process.argv.slice(2);
const times = [];
const begun = performance.now();
while (performance.now() - begun < seconds * 1000) {
  const asked = performance.now();
  await (await fetch(`${url}/api/v1/health`)).text();
  times.push(performance.now() - asked);
  await new Promise((resolve) => setTimeout(resolve, 20));
}
console.log(JSON.stringify(times));
