/** What was wrong while a page was drawn on the server is said by the page in the browser too. */
export default definePayloadPlugin(() => {
  definePayloadReducer(
    'ApiProblem',
    (value) => value instanceof ApiProblem && [value.status, value.message, value.fields],
  )
  definePayloadReviver(
    'ApiProblem',
    ([status, message, fields]: [number, string, Record<string, string>]) => new ApiProblem(status, message, fields),
  )
})
