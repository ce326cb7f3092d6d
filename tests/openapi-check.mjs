// Checks an OpenAPI document by a general-purpose validator: the document on standard input, what
// is wrong on standard output.
import { Validator } from '@seriousme/openapi-schema-validator';
import { text } from 'node:stream/consumers';

const validator = new Validator();
const { valid, errors } = await validator.validate(JSON.parse(await text(process.stdin)));
process.stdout.write(JSON.stringify({ valid, version: validator.version, errors: errors ?? [] }));
