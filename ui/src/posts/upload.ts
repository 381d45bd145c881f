// A file sent to the client's media, saying how far it is, which fetch cannot.

/** @returns the file's id */
export function upload(workspace: string, file: File, progress?: (percent: number) => void): Promise<string> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest()
    request.open('POST', `/api/w/${workspace}/media?name=${encodeURIComponent(file.name)}`)
    request.setRequestHeader('Content-Type', 'application/octet-stream')
    request.upload.onprogress = (event) =>
      progress?.(event.lengthComputable ? Math.round((event.loaded / event.total) * 100) : 0)
    request.onload = () => {
      const body = JSON.parse(request.responseText) as { id?: string; detail?: string; way_on?: string }
      if (request.status === 201 && body.id) resolve(body.id)
      else reject(new Error([body.detail, body.way_on].filter(Boolean).join(' ')))
    }
    request.onerror = () => reject(new Error('The connection broke off while uploading. Choose the file again.'))
    request.send(file)
  })
}
