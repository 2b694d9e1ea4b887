// Stands in for names made from other names (UUID version 5), which nothing here makes. The module of the packages it is for throws
// an error on purpose while it is read: a phone takes a fifth of a second for that.
export default () => () => {
  throw new Error('Identifiers of version 5 are left out of the application’s script');
};
