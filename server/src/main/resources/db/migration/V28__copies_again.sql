-- a signed copy that came back stands in Today until it was sent once more
alter table mail add column sent_again_at timestamptz;
create index mail_copies_back on mail (returned_at desc)
    where state = 'RETURNED' and kind = 'COMPLETED' and sent_again_at is null;
