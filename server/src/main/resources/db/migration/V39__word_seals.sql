-- what the office's signature on Word files of a template's agreements says, as it was said last
create table word_seal_words (
    template_id uuid primary key references template,
    words jsonb not null
);
