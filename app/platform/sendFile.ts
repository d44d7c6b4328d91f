/**
 * Sends a file as the body of a request, by XMLHttpRequest, since it alone tells how much is sent already.
 *
 * @param onProgress  told how much is sent, in percent
 * @returns           what the server answers
 * @throws            Error with a sentence for the person
 */
export function sendFile<Answer>(address: string, file: File, onProgress: (percent: number) => void): Promise<Answer> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest()
    request.open('POST', address)
    request.upload.onprogress = ({ loaded, total }) => onProgress(Math.round((100 * loaded) / total))
    request.onerror = () =>
      reject(new Error('The file could not be sent. Check that the application is running, then try again.'))
    request.onload = () => {
      const body = JSON.parse(request.responseText || '{}') as Answer & { detail?: string }
      if (request.status >= 200 && request.status < 300) resolve(body)
      else reject(new Error(body.detail ?? `The application answered ${request.status}.`))
    }
    request.send(file)
  })
}
