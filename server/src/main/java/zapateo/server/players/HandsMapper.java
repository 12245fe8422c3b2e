package zapateo.server.players;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Hands in PostgreSQL. */
@Mapper
interface HandsMapper {

    String COLUMNS =
            "select id, owner, name, measures, in_use, version, created_at, updated_at from hands where owner = "
                    + "#{owner} and deleted_at is null";

    @Select(COLUMNS + " order by created_at, id")
    List<HandsRow> all(@Param("owner") UUID owner);

    @Select(COLUMNS + " and id = #{id}")
    Optional<HandsRow> find(@Param("owner") UUID owner, @Param("id") UUID id);

    @Select(COLUMNS + " and in_use")
    Optional<HandsRow> inUse(@Param("owner") UUID owner);

    @Insert("insert into hands (id, owner, name, measures, in_use, version, created_at, updated_at) "
            + "values (#{id}, #{owner}, #{name}, #{measures}, #{inUse}, #{version}, #{createdAt}, #{updatedAt})")
    void insert(HandsRow hands);

    /** @return 1, or 0 when it no longer has the version */
    @Update("update hands set name = #{name}, measures = #{measures}, version = version + 1, updated_at = #{at} "
            + "where owner = #{owner} and id = #{id} and version = #{version} and deleted_at is null")
    int update(
            @Param("owner") UUID owner,
            @Param("id") UUID id,
            @Param("version") int version,
            @Param("name") String name,
            @Param("measures") Measures measures,
            @Param("at") OffsetDateTime at);

    @Update("update hands set in_use = false where owner = #{owner} and in_use and deleted_at is null")
    void putAside(@Param("owner") UUID owner);

    @Update("update hands set in_use = true where owner = #{owner} and id = #{id} and deleted_at is null")
    void take(@Param("owner") UUID owner, @Param("id") UUID id);

    @Update("update hands set deleted_at = #{at}, in_use = false where owner = #{owner} and id = #{id} and "
            + "deleted_at is null")
    int delete(@Param("owner") UUID owner, @Param("id") UUID id, @Param("at") OffsetDateTime at);
}
