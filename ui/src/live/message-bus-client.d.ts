declare module 'message-bus-client'

interface Window {
  MessageBus: {
    start(): void
    stop(): void
    subscribe(channel: string, callback: (message: never) => void): void
  }
}
