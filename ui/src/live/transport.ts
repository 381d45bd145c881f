// How message-bus-client sends its polls without jQuery: the few things of $.ajax that it uses, over XMLHttpRequest.
interface Options {
  url: string
  data: Record<string, string>
  headers: Record<string, string>
  messageBus: { chunked: boolean; onProgressListener: (request: XMLHttpRequest) => void }
  success: (body: string) => void
  error: (request: XMLHttpRequest, status: string) => void
  complete: () => void
}

export function poll(options: Options): XMLHttpRequest {
  const request = new XMLHttpRequest()
  request.open('POST', options.url)
  for (const [name, value] of Object.entries(options.headers)) request.setRequestHeader(name, value)
  request.setRequestHeader('Content-Type', 'application/x-www-form-urlencoded')
  if (options.messageBus.chunked) options.messageBus.onProgressListener(request)
  request.onloadend = () => {
    if (request.status >= 200 && request.status < 300) options.success(request.responseText)
    else options.error(request, request.statusText)
    options.complete()
  }
  request.send(new URLSearchParams(options.data).toString())
  return request
}
