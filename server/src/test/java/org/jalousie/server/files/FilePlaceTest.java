package org.jalousie.server.files;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicReference;
import java.util.stream.IntStream;
import org.jalousie.core.data.Sha256;
import org.jalousie.server.adapters.Bucket;
import org.jalousie.server.adapters.ServiceAway;
import org.jalousie.server.testbed.BucketServer;
import org.jalousie.server.testbed.Together;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** What holds of every place that files lie in, whatever it is. */
class FilePlaceTest {
    private static BucketServer server;

    @TempDir
    Path folder;

    @BeforeAll
    static void up() {
        server = new BucketServer();
    }

    @AfterAll
    static void down() {
        server.close();
    }

    private FilePlace place(FilePlace.Kind kind) throws IOException {
        return switch (kind) {
            case FOLDER -> new FolderStore(folder, Clock.systemUTC(), Optional.empty());
            case BUCKET -> new BucketStore(server.opened("files-" + UUID.randomUUID() + "/"), "a bucket");
        };
    }

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private static Instant in(int seconds) {
        return Instant.now().plusSeconds(seconds);
    }

    @ParameterizedTest
    @EnumSource
    void whatIsKeptIsThereOnceAndWhole(FilePlace.Kind kind) throws IOException {
        FilePlace place = place(kind);
        byte[] large = new byte[3_000_000];
        new java.util.Random(1).nextBytes(large);
        for (byte[] one : List.of(new byte[0], bytes("a"), bytes("é\u0000\r\n"), large)) {
            Sha256 name = place.keep(one);
            assertThat(name).isEqualTo(Sha256.of(one));
            assertThat(place.keep(one)).isEqualTo(name);
            assertThat(place.get(name)).isEqualTo(one);
        }
        assertThat(place.count()).isEqualTo(4);
        Sha256 never = Sha256.of(bytes("never kept"));
        assertThat(place.asFound(never)).isEmpty();
        assertThatThrownBy(() -> place.get(never))
                .isInstanceOf(FileStore.Damaged.class)
                .hasMessageContaining("missing")
                .hasMessageContaining(never.hex());
        place.remove(never);
        place.bringBack(never);
        place.putAside(never, in(0));
        assertThat(place.count()).isEqualTo(4);
    }

    @ParameterizedTest
    @EnumSource
    void whatNobodyNeedsGoesInTwoSteps(FilePlace.Kind kind) throws IOException {
        FilePlace place = place(kind);
        Sha256 forgotten = place.keep(bytes("forgotten"));
        Sha256 asked = place.keep(bytes("asked for again"));
        Sha256 kept = place.keep(bytes("kept again"));
        Sha256 needed = place.keep(bytes("needed after all"));
        assertThat(place.untouchedSince(in(-60))).isEmpty();
        assertThat(place.untouchedSince(in(60))).containsExactlyInAnyOrder(forgotten, asked, kept, needed);
        for (Sha256 one : List.of(forgotten, asked, kept, needed)) place.putAside(one, in(-60));
        assertThat(place.untouchedSince(in(60))).as("also aside").hasSize(4);
        assertThat(place.some(9, Set.of())).hasSize(4);
        assertThat(place.get(asked)).isEqualTo(bytes("asked for again"));
        assertThat(place.keep(bytes("kept again"))).isEqualTo(kept);
        place.bringBack(needed);
        // not yet: it hasn't been aside for long
        place.putAside(forgotten, in(-60));
        assertThat(place.asFound(forgotten)).isPresent();
        place.putAside(forgotten, in(-60));
        for (Sha256 one : List.of(forgotten, asked, kept, needed)) {
            if (!one.equals(forgotten)) continue;
            place.putAside(one, in(60));
        }
        assertThat(place.asFound(forgotten)).isEmpty();
        for (Sha256 one : List.of(asked, kept, needed))
            assertThat(place.asFound(one)).isPresent();
    }

    @ParameterizedTest
    @EnumSource
    void manyAreAllTold(FilePlace.Kind kind) throws Exception {
        FilePlace place = place(kind);
        List<Sha256> names = new ArrayList<>();
        List<Callable<Sha256>> all = IntStream.range(0, 1_053)
                .mapToObj(i -> (Callable<Sha256>) () -> place.keep(bytes("file " + i)))
                .toList();
        for (int from = 0; from < all.size(); from += 81)
            names.addAll(Together.all(all.subList(from, Math.min(all.size(), from + 81))));
        assertThat(place.count()).isEqualTo(1_053);
        assertThat(place.untouchedSince(in(60))).containsExactlyInAnyOrderElementsOf(names);
        assertThat(place.some(1_020, Set.of())).hasSize(1_020).doesNotHaveDuplicates();
        assertThat(place.some(7, Set.copyOf(names.subList(0, 1_050))))
                .containsExactlyInAnyOrderElementsOf(names.subList(1_050, 1_053));
    }

    @ParameterizedTest
    @EnumSource
    void theSameKeptByManyAtOnceIsOne(FilePlace.Kind kind) throws Exception {
        FilePlace place = place(kind);
        Callable<Sha256> keep = () -> place.keep(bytes("the same"));
        assertThat(Together.all(List.of(keep, keep, keep, keep, keep, keep)))
                .containsOnly(Sha256.of(bytes("the same")));
        assertThat(place.count()).isEqualTo(1);
        place.remove(Sha256.of(bytes("the same")));
        assertThat(place.count()).isZero();
    }

    @ParameterizedTest
    @EnumSource
    void whatSomebodyChangedIsToldAndMendedWhenItIsKeptAnew(FilePlace.Kind kind) throws IOException {
        FilePlace place;
        Sha256 name = Sha256.of(bytes("as it was kept"));
        if (kind == FilePlace.Kind.FOLDER) {
            place = place(kind);
            place.keep(bytes("as it was kept"));
            java.nio.file.Files.writeString(
                    folder.resolve(name.hex().substring(0, 2)).resolve(name.hex()), "changed");
        } else {
            Bucket bucket = server.opened("changed/");
            place = new BucketStore(bucket, "a bucket");
            place.keep(bytes("as it was kept"));
            bucket.put("kept/" + name.hex(), bytes("changed"));
            bucket.put("kept/somebody else's", bytes("not ours"));
            bucket.put("notes.txt", bytes("not ours"));
        }
        assertThat(place.asFound(name)).contains(bytes("changed"));
        assertThatThrownBy(() -> place.get(name))
                .isInstanceOf(FileStore.Damaged.class)
                .hasMessageContaining("changed or damaged");
        assertThat(place.count()).isEqualTo(1);
        place.keep(bytes("as it was kept"));
        assertThat(place.get(name)).isEqualTo(bytes("as it was kept"));
    }

    @ParameterizedTest
    @EnumSource
    void whoAsksWhileItIsPutAsideFindsIt(FilePlace.Kind kind) throws Exception {
        FilePlace place = place(kind);
        Sha256 name = place.keep(bytes("to and fro"));
        for (int i = 0; i < 20; i++) {
            Callable<Optional<byte[]>> ask = () -> place.asFound(name);
            List<Callable<Optional<byte[]>>> all = List.of(
                    () -> {
                        place.putAside(name, Instant.now().minus(Duration.ofDays(1)));
                        return Optional.of(bytes("to and fro"));
                    },
                    ask,
                    ask);
            assertThat(Together.all(all)).allSatisfy(found -> assertThat(found).contains(bytes("to and fro")));
        }
    }

    @Test
    void whatSomebodyLaysBesideIsNobodysFile() throws IOException {
        FolderStore store = new FolderStore(folder, Clock.systemUTC(), Optional.empty());
        Sha256 ours = store.keep(bytes("ours"));
        Sha256 other = Sha256.of(bytes("other"));
        String elsewhere = other.hex().startsWith("00") ? "11" : "00";
        for (String at : List.of("copies", "lost+found", elsewhere)) {
            java.nio.file.Files.createDirectories(folder.resolve(at));
            java.nio.file.Files.writeString(folder.resolve(at).resolve(other.hex()), "other");
        }
        java.nio.file.Files.writeString(folder.resolve("ab"), "a file where a folder could be");
        java.nio.file.Files.writeString(folder.resolve(other.hex()), "other");
        assertThat(store.count()).isEqualTo(1);
        assertThat(store.untouchedSince(in(60))).containsExactly(ours);
        assertThat(store.some(9, Set.of())).containsExactly(ours);
    }

    /** A place that tells of a file for ever that it doesn't give out. */
    @Test
    void aMoveEndsWhateverAPlaceTells() {
        Sha256 never = Sha256.of(bytes("never there"));
        FilePlace from = mock(FilePlace.class);
        when(from.some(anyInt(), any()))
                .thenAnswer(asked -> asked.<Set<Sha256>>getArgument(1).contains(never) ? List.of() : List.of(never));
        when(from.asFound(never)).thenReturn(Optional.empty());
        ExecutorService hands = Executors.newSingleThreadExecutor();
        MoveRound round = new MoveRound(from, mock(FilePlace.class), hands);
        AtomicInteger asked = new AtomicInteger();
        assertThat(round.run(() -> asked.incrementAndGet() < 10)).isTrue();
        assertThat(round.stuck()).isEmpty();
        assertThat(round.movedSince()).isZero();
        hands.shutdown();
    }

    @Test
    void anotherServerAtTheAddressSaysNothingOfWhetherAFileIsMissing() throws Exception {
        HttpServer other = HttpServer.create(new InetSocketAddress("127.0.0.1", 0), 0);
        AtomicReference<String> said = new AtomicReference<>("");
        AtomicInteger status = new AtomicInteger();
        other.createContext("/", exchange -> {
            byte[] body = bytes(said.get());
            exchange.sendResponseHeaders(status.get(), body.length == 0 ? -1 : body.length);
            exchange.getResponseBody().write(body);
            exchange.close();
        });
        other.start();
        try {
            FilePlace place = new BucketStore(
                    BucketServer.opened(
                            "", "http://127.0.0.1:" + other.getAddress().getPort(), BucketServer.SECRET),
                    "a bucket");
            Sha256 name = Sha256.of(bytes("is it there?"));
            for (int one : List.of(404, 403, 301, 500, 503)) {
                status.set(one);
                for (String body : List.of("<html><body>Not here</body></html>", "{}")) {
                    said.set(body);
                    assertThatThrownBy(() -> place.asFound(name)).as("%d", one).isInstanceOf(ServiceAway.class);
                    assertThatThrownBy(() -> place.get(name)).as("%d", one).isInstanceOf(ServiceAway.class);
                    assertThatThrownBy(place::count).as("%d", one).isInstanceOf(ServiceAway.class);
                    assertThatThrownBy(() -> place.keep(bytes("x")))
                            .as("%d", one)
                            .isInstanceOf(ServiceAway.class);
                }
            }
            status.set(200);
            for (String body : List.of("<html></html>", "<ListBucketResult>")) {
                said.set(body);
                assertThatThrownBy(() -> place.some(9, Set.of())).as(body).isInstanceOf(ServiceAway.class);
            }
        } finally {
            other.stop(0);
        }
    }
}
