// Stands in for stylesheets, which tests do not read.
export default {};
