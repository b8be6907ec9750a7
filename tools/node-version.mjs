// Says plainly when Node is too old; written without any syntax that an old Node cannot read.
const [major, minor] = process.versions.node.split('.').map(Number);
if (major < 20 || (major === 20 && minor < 19)) {
  console.error(
    `Tapis needs Node.js 20.19 or newer; this is ${process.versions.node}. Install a newer one and try again.`,
  );
  process.exit(1);
}
