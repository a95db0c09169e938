/** Stands in for Node's `module` in the browser, where HarfBuzz's loader imports it and never calls it. */
export default {};
