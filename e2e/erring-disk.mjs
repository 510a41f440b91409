/** Loaded before a server of a test: its disk errs for as long as a file lies where AMBREK_TEST_ERRS says. */
import fs from "node:fs";
import { syncBuiltinESMExports } from "node:module";

const flush = fs.fdatasync;
fs.fdatasync = (file, done) => {
  if (!fs.existsSync(process.env.AMBREK_TEST_ERRS)) return flush(file, done);
  setImmediate(() => done(Object.assign(new Error("EIO: i/o error, fdatasync"), { code: "EIO" })));
};
syncBuiltinESMExports();
