/**
 * A function that remembers its last answer for as long as it is asked the same (by identity). Unlike a component's own memory it outlives the
 * component: going to another place and back works nothing out anew.
 */
export function rememberLast<Args extends readonly unknown[], R>(work: (...args: Args) => R): (...args: Args) => R {
  let last: { readonly args: Args; readonly result: R } | null = null;
  return (...args) => {
    if (last?.args.length !== args.length || !last.args.every((one, at) => Object.is(one, args[at])))
      last = { args, result: work(...args) };
    return last.result;
  };
}
