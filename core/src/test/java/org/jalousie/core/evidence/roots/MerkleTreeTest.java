package org.jalousie.core.evidence.roots;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.stream.IntStream;
import org.jalousie.core.data.Sha256;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class MerkleTreeTest {
    // the test data of the reference implementation of RFC 6962, whose tree RFC 9162 keeps; values from memory
    private static final List<String> LEAVES =
            List.of("", "00", "10", "2021", "3031", "40414243", "5051525354555657", "606162636465666768696a6b6c6d6e6f");
    private static final List<String> ROOTS = List.of(
            "6e340b9cffb37a989ca544e6bb780a2c78901d3fb33738768511a30617afa01d",
            "fac54203e7cc696cf0dfcb42c92a1d9dbaf70ad9e621f4bd8d98662f00e3c125",
            "aeb6bcfe274b70a14fb067a5e5578264db0fa9b51af5e0ba159158f329e06e77",
            "d37ee418976dd95753c1c73862b9398fa2a2cf9b4ff0fdfe8b30cd95209614b7",
            "4e3bbb1f7b478dcfe71fb631631519a3bca12c9aefca1612bfce4c13a86264d4",
            "76e67dadbcdf1e10e1b74ddc608abd2f98dfb16fbce75277b5232a127f2087ef",
            "ddb89be403809e325750d3d263cd78929c2942b7942a34b77e122c9594a74c8c",
            "5dc9da79a70659a9ad559cb701ded9a2ab9d823aad2f4960cfe370eff4604328");

    private static List<byte[]> leaves(int count) {
        return LEAVES.subList(0, count).stream().map(HexFormat.of()::parseHex).toList();
    }

    private static List<byte[]> numbered(int count) {
        return IntStream.range(0, count)
                .mapToObj(i -> ("leaf " + i).getBytes(StandardCharsets.UTF_8))
                .toList();
    }

    @Test
    void itsRootsAreThoseOfTheReference() {
        for (int i = 1; i <= LEAVES.size(); i++)
            assertThat(new MerkleTree(leaves(i)).root().hex()).isEqualTo(ROOTS.get(i - 1));
        // RFC 9162 §2.1.1: of nothing, the hash of an empty string
        assertThat(new MerkleTree(List.of()).root()).isEqualTo(Sha256.of(new byte[0]));
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8, 9, 15, 16, 17, 31, 33, 100})
    void everyPathLeadsToTheRootAndNoOther(int size) {
        List<byte[]> leaves = numbered(size);
        MerkleTree tree = new MerkleTree(leaves);
        for (int i = 0; i < size; i++) {
            List<Sha256> path = tree.path(i);
            assertThat(MerkleTree.rootOf(leaves.get(i), i, size, path)).isEqualTo(tree.root());
            byte[] other = "another leaf".getBytes(StandardCharsets.UTF_8);
            assertThat(MerkleTree.rootOf(other, i, size, path)).isNotEqualTo(tree.root());
            List<Sha256> longer = new ArrayList<>(path);
            longer.add(tree.root());
            int at = i;
            assertThatThrownBy(() -> MerkleTree.rootOf(leaves.get(at), at, size, longer))
                    .isInstanceOf(IllegalArgumentException.class);
            if (path.isEmpty()) continue;
            assertThatThrownBy(() -> MerkleTree.rootOf(leaves.get(at), at, size, path.subList(1, path.size())))
                    .isInstanceOf(IllegalArgumentException.class);
        }
    }

    @Test
    void aLeafThatIsNotThereHasNoPath() {
        MerkleTree tree = new MerkleTree(numbered(3));
        assertThatThrownBy(() -> tree.path(3)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> tree.path(-1)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void aNodeCannotPassForALeaf() {
        MerkleTree two = new MerkleTree(numbered(2));
        byte[] joined = new byte[64];
        HexFormat hex = HexFormat.of();
        System.arraycopy(hex.parseHex(two.path(1).get(0).hex()), 0, joined, 0, 32);
        System.arraycopy(hex.parseHex(two.path(0).get(0).hex()), 0, joined, 32, 32);
        assertThat(new MerkleTree(List.of(joined)).root()).isNotEqualTo(two.root());
    }
}
