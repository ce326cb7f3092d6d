-- Which photographs an entry names: found without looking at every log.
CREATE INDEX entries_by_photo ON entries (data ->> 'photoId') WHERE kind = 'photo';
