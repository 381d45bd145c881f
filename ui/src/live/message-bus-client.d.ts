declare module 'message-bus-client'

interface Window {
  MessageBus: {
    ajax: unknown
    start(): void
    stop(): void
    subscribe(channel: string, callback: (message: never) => void, lastId?: number): void
  }
}
