#!/bin/sh
# Computes the chain of an agreement's events anew: each hash is the SHA-256 of the hash before, a line feed, and the event.
# Run it where events.jsonl (one event in each line, canonical JSON) and chain.txt (one hash in each line) are.
previous=0000000000000000000000000000000000000000000000000000000000000000
event=0
while IFS= read -r hash <&3 && IFS= read -r json <&4; do
    event=$((event + 1))
    previous=$(printf '%s\n%s' "$previous" "$json" | sha256sum | cut -d ' ' -f 1)
    if [ "$previous" != "$hash" ]; then
        echo "The chain is broken at event $event."
        exit 1
    fi
done 3<chain.txt 4<events.jsonl
if [ "$event" -ne "$(wc -l <events.jsonl)" ] || [ "$event" -ne "$(wc -l <chain.txt)" ]; then
    echo "There are more events than hashes, or more hashes than events."
    exit 1
fi
echo "The chain of $event events is whole. It ends with $previous."
