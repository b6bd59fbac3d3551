import type { Program, ProgramMessage } from '../../../build/program';
import { slug } from '../../../ground/quantity';

/** Dialect of the schemas of what messages carry. */
const DIALECT = 'http://json-schema.org/draft-07/schema#';

/** Keys of the messages, each once: they name channels, messages and operations alike. */
function keysOf(messages: readonly ProgramMessage[]): string[] {
  const out: string[] = [];
  for (const m of messages) {
    const plain = `${m.way}-${slug(m.what === 'state' || m.what === 'command' || m.what === 'reading' ? `${m.what} ${m.name}` : m.what)}`;
    let key = plain;
    for (let n = 2; out.includes(key); n++) key = `${plain}-${n}`;
    out.push(key);
  }
  return out;
}

const UNIT_WORD = 'Where settings.py has a word of the unit, that follows the first word of each topic that it tells.';

/** A topic as the address of a channel; braces would stand for parameters there, so such a topic is told in words alone. */
const address = (topic: string): string | null => (/[{}]/.test(topic) ? null : topic);

/**
 * What the program says and hears, as an AsyncAPI document of version 3.0.0 with the MQTT bindings 0.2.0: the broker keeps what is
 * retained, and says the last will in the controller's place.
 */
export function asyncApi(p: Program, messages: readonly ProgramMessage[]): string {
  const keys = keysOf(messages);
  const ref = (path: string): { readonly $ref: string } => ({ $ref: `#/${path}` });
  const rows = messages.map((m, i) => ({ m, key: keys[i] ?? '' }));
  const will = messages.find((m) => m.will !== null);
  const document = {
    asyncapi: '3.0.0',
    info: {
      title: p.title,
      version: '1.0.0',
      description: `What the controller tells and hears. ${UNIT_WORD} ${p.outcome}`.trim(),
    },
    defaultContentType: 'text/plain',
    servers: {
      broker: {
        host: '{broker}:{port}',
        variables: {
          broker: { description: 'its number in your network' },
          port: { default: '1883', description: 'registered for MQTT without encryption' },
        },
        protocol: 'mqtt',
        protocolVersion: '3.1.1',
        description: 'The broker in your own network; its number stands in settings.py.',
        ...(will
          ? {
              bindings: {
                mqtt: {
                  cleanSession: true,
                  keepAlive: 60,
                  lastWill: { topic: will.topic, qos: 0, message: will.will, retain: true },
                  bindingVersion: '0.2.0',
                },
              },
            }
          : {}),
      },
    },
    channels: Object.fromEntries(
      rows.map(({ m, key }) => [
        key,
        {
          address: address(m.topic),
          description: `topic ${m.topic}`,
          messages: { [key]: ref(`components/messages/${key}`) },
        },
      ]),
    ),
    operations: Object.fromEntries(
      rows.map(({ m, key }) => [
        key,
        {
          action: m.way === 'tells' ? 'send' : 'receive',
          channel: ref(`channels/${key}`),
          messages: [ref(`channels/${key}/messages/${key}`)],
          bindings: { mqtt: { qos: 0, retain: m.retained, bindingVersion: '0.2.0' } },
        },
      ]),
    ),
    components: {
      messages: Object.fromEntries(
        rows.map(({ m, key }) => [
          key,
          {
            name: key,
            title: m.name,
            contentType: 'text/plain',
            payload: { $schema: DIALECT, ...m.payload },
            examples: m.examples.map((payload) => ({ payload })),
          },
        ]),
      ),
    },
  };
  return `${JSON.stringify(document, null, 2)}\n`;
}
